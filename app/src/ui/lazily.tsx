import { lazy, Suspense, type ComponentType } from 'react';

/**
 * A screen in a file of its own, loaded where it is shown. What several such screens share is loaded with the first of them,
 * when they are picked from one module; else it would come before the first screen of all.
 * @param load a dynamic import
 */
export function lazily<M, P extends object>(load: () => Promise<M>, pick: (module: M) => ComponentType<P>) {
  const Loaded = lazy(async () => ({ default: pick(await load()) }));
  return function Lazily(props: P) {
    return (
      <Suspense fallback={null}>
        <Loaded {...props} />
      </Suspense>
    );
  };
}
