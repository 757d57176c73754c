export * from './brief';
export { briefSchema, type BriefDocument } from './document';
