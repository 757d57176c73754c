export * from './bows';
export * from './gap';
export * from './hair';
export * from './in-hand';
export * from './rosin';
export * from './rosin-guides';
export * from './stretch';
export * from './tension';
