export * from './document';
export * from './identity';
export * from './passport';
