import { lazily, lazyPage } from '@/ui/lazily';

/** The engine of guided jobs with its drawings, in a file of its own: the change of strings and the jobs of the bench share it. */
const load = () => import('./guided-pages');

export const GuidedScreen = lazyPage(load, (pages) => pages.GuidedScreen);
export const StepDrawing = lazily(load, (pages) => pages.StepDrawing);
