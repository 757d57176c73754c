export * from './drills';
export * from './misses';
