import type * as z from 'zod';

/**
 * Small things this browser keeps for the page as a whole: who was here last, how the app looks, how far a guided change is.
 * They are there before the first paint. What a household records is kept in its own database instead.
 */
export interface Kept<T> {
  /** null when nothing is kept, or what is kept was not kept by this very build of the app. */
  read: () => T | null;
  /** What another build kept, as far as it is what this one takes: its schema is loaded for that. */
  readOld: () => Promise<T | null>;
  /** @throws when this browser keeps nothing for the page */
  write: (value: T) => void;
  forget: () => void;
}

/** Which build of the app this is: the files it is made of carry their content in their names. */
export const BUILD = Array.from(document.scripts, ({ src }) => new URL(src, location.href).pathname).join(' ');

/** A place for one such thing. @param load what checks it, where another build kept it */
export function kept<T>(key: string, load: () => Promise<z.ZodType<T>>): Kept<T> {
  const by = `${key} by`;
  const text = () => JSON.parse(localStorage.getItem(key) ?? 'null') as unknown;
  return {
    read: () => {
      try {
        return localStorage.getItem(by) === BUILD ? (text() as T | null) : null;
      } catch {
        return null;
      }
    },
    readOld: async () => {
      if (localStorage.getItem(key) === null) return null;
      const schema = await load();
      const read = schema.safeParse(text());
      return read.success ? read.data : null;
    },
    write: (value) => {
      // In this order: what was broken off between the two is looked at as if it were another build's.
      localStorage.removeItem(by);
      localStorage.setItem(key, JSON.stringify(value));
      localStorage.setItem(by, BUILD);
    },
    forget: () => [key, by].forEach((each) => localStorage.removeItem(each)),
  };
}
