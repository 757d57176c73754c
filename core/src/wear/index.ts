export * from './life';
export { LIFE_LOG_SD, SEEN_LOG_SD, type LifeSeen } from './life-grid';
export * from './factor';
export * from './elsewhere';
export * from './pauses';
export * from './pace';
export * from './pace-elsewhere';
export * from './forecast';
