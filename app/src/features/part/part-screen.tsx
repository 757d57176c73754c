import { lazy, Suspense } from 'react';
import type { PartScreenProps } from './PartScreen';

const Loaded = lazy(() => import('./PartScreen').then((module) => ({ default: module.PartScreen })));

/** The page of one part, in a file of its own: workings are loaded where somebody wants to see them. */
export function PartScreen(props: PartScreenProps) {
  return (
    <Suspense fallback={null}>
      <Loaded {...props} />
    </Suspense>
  );
}
