export * from './closing';
