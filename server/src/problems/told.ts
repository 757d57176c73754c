/** Lines of a stack that a log line holds. */
const STACK_LINES = 8;

/**
 * What is logged of a failure: its kind, its code, and where it came from. Not its words: the database's carry names and values of
 * people.
 */
export function toldOf(error: unknown): object {
  const { name, code, stack, original } = (error ?? {}) as Error & {
    code?: unknown;
    original?: { errno?: number; code?: string };
  };
  const at = stack?.split('\n').filter((line) => /^\s+at /.test(line));
  return {
    name: name ?? typeof error,
    ...(typeof code === 'string' && { code }),
    ...(original && { database: original.errno ?? original.code }),
    at: at?.slice(0, STACK_LINES).map((line) => line.trim()),
  };
}
