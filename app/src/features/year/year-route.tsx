import { lazy, Suspense } from 'react';

const Loaded = lazy(() => import('./Year').then((module) => ({ default: module.YearRoute })));

/** Route: the year and one of its items, in a file of its own: two routes share it, and the first screen needs none of it. */
export function YearRoute() {
  return (
    <Suspense fallback={null}>
      <Loaded />
    </Suspense>
  );
}
