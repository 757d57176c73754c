export * from './ladder';
export * from './products';
export * from './residue';
