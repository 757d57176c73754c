/** What checks what is typed: the library of schemas, loaded once, after what shows without it. */
let loaded: Promise<unknown> | null = null;

/** Once it resolves, schemas may be asked. */
export function loadSchemas(): Promise<unknown> {
  loaded ??= import('@/vendor/zod-real').catch((error: unknown) => {
    // Without a connection it may come the next time.
    loaded = null;
    throw error;
  });
  return loaded;
}
