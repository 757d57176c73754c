export * from './job';
export { CHILD, EYES } from './step';
