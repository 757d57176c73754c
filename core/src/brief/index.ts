export * from './brief';
export { BRIEF_BOUNDS, briefSchema, type BriefDocument } from './document';
