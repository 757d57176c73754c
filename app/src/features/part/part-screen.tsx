import { lazily } from '@/ui/lazily';

/** The page of one part, in a file of its own: workings are loaded where somebody wants to see them. */
export const PartScreen = lazily(
  () => import('./PartScreen'),
  (module) => module.PartScreen,
);
