export * from './humidity';
export * from './temperature';
export * from './length';
export * from './force';
