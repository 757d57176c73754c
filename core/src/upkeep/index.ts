export * from './pace';
export * from './wear';
export * from './forecast';
export * from './residue';
export * from './schools';
export * from './threads';
