/** The bundles' own loader, by the name under which they ask for it, and what the build says of its files. */
const known = globalThis as unknown as {
  __loadBundleAsync: (path: string) => Promise<void>;
  /** The file that others rest on; and those, by the beginning of the hash in their names. */
  tembrinResting?: { on: string; files: readonly string[] };
};
const load = known.__loadBundleAsync;

/**
 * What only pages beside the stand share lies in a file of its own, which the build makes (scripts/lib/first-files.mjs). It comes before
 * them: a module that misses another when it is run stays broken.
 */
known.__loadBundleAsync = async (path) => {
  const hash = /-([0-9a-f]{4})[0-9a-f]{28}\.js$/.exec(path)?.[1];
  if (known.tembrinResting && hash && known.tembrinResting.files.includes(hash)) await load(known.tembrinResting.on);
  await load(path);
};
