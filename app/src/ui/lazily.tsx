import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { Waiting } from './Waiting';

/**
 * A part of a screen in a file of its own, loaded where it is shown. What several such parts share is loaded with the first of
 * them, when they are picked from one module; else it would come before the first screen of all.
 * @param load a dynamic import
 * @param meanwhile what stands in its place until it is there
 */
export function lazily<M, P extends object>(
  load: () => Promise<M>,
  pick: (module: M) => ComponentType<P>,
  meanwhile: ReactNode = null,
) {
  const Loaded = lazy(async () => ({ default: pick(await load()) }));
  return function Lazily(props: P) {
    return (
      <Suspense fallback={meanwhile}>
        <Loaded {...props} />
      </Suspense>
    );
  };
}

/** A page in a file of its own: that it is fetched, or worked out, is said. */
export function lazyPage<M, P extends object>(load: () => Promise<M>, pick: (module: M) => ComponentType<P>) {
  return lazily(load, pick, <Waiting />);
}
