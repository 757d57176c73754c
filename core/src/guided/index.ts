export { PICTURES, type GuidedStep, type StepPicture } from './step';
