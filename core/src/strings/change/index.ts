export * from './job';
export { JOB_PICTURES, type JobPicture, type JobStep } from './step';
