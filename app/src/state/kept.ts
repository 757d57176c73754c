import type { z } from 'zod';

/**
 * Small things this browser keeps for the page as a whole: who was here last, how the app looks, how far a guided change is.
 * They are there before the first paint. What a household records is kept in its own database instead.
 */
export interface Kept<T> {
  /** null when nothing is kept, or what is kept is of another version of the app. */
  read: () => T | null;
  /** @throws when this browser keeps nothing for the page */
  write: (value: T) => void;
  forget: () => void;
}

/** A place for one such thing. */
export function kept<T>(key: string, schema: z.ZodType<T>): Kept<T> {
  return {
    read: () => {
      try {
        return schema.parse(JSON.parse(localStorage.getItem(key) ?? 'null'));
      } catch {
        return null;
      }
    },
    write: (value) => localStorage.setItem(key, JSON.stringify(value)),
    forget: () => localStorage.removeItem(key),
  };
}
