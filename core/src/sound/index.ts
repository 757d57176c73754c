export * from './hearing';
export * from './pluck';
