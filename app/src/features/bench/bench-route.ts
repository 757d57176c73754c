import { lazily } from '@/ui/lazily';

/** Route: the bench, in a file of its own: several routes show it, and the first screen needs none of it. */
export const Bench = lazily(
  () => import('./Bench'),
  (module) => module.Bench,
);
