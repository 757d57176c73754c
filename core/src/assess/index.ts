export * from './assessment';
export * from './bow-log';
export * from './household';
export * from './workshop';
export * from './own-instrument';
export * from './players';
export * from './here';
export * from './recent';
