export { PICTURES, type GuidedStep, type StepPicture } from './step';
export { JOB_TITLES, JOBS, type JobId } from './jobs';
