export * from './brief';
export { BRIEF_BOUNDS, briefSchema, type Asked, type BriefDocument } from './document';
