import { lazily } from '@/ui/lazily';

/** Says when a household nears what it may keep; most never do. */
export const Filling = lazily(
  () => import('./FillingNotice'),
  (module) => module.FillingNotice,
);
