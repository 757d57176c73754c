export * from './detect';
export * from './hearing';
export * from './pluck';
