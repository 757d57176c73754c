import { lazily } from '@/ui/lazily';

/** Route: the year and one of its items, in a file of its own: two routes share it, and the first screen needs none of it. */
export const YearRoute = lazily(
  () => import('./Year'),
  (module) => module.YearRoute,
);
