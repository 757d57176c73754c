export * from './answer';
export * from './contact';
export * from './proposals';
export * from './visit';
