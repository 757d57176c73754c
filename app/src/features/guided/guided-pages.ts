export { GuidedScreen } from './GuidedScreen';
export { StepDrawing } from './StepDrawing';
