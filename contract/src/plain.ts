import type * as z from 'zod';

/** Control characters, halves of characters, and signs that turn the direction of writing: a name with them can pass for another, or break a file. */
const NOT_PLAIN = /[\p{Cc}\p{Cs}\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069]/u;
export const NOT_PLAIN_SENTENCE =
  'A name is one line of letters and signs. Take line breaks and invisible signs out, and type it anew.';

/** Line breaks and tabs, which a text of several lines may have. */
const LAID_OUT = /[\t\n\r]/g;
export const HIDDEN_SIGNS_SENTENCE =
  'This text holds invisible signs that change how writing reads. Type it anew instead of pasting it.';

/** Whether a text of one or more lines holds signs that are not seen and change how it reads. */
export function hasHiddenSigns(text: string): boolean {
  return NOT_PLAIN.test(text.replace(LAID_OUT, ''));
}

/** Refuses hidden signs in any text of a value, however deep. @param path where the value stands */
export function checkTexts(value: unknown, path: readonly (string | number)[], context: z.RefinementCtx): void {
  if (typeof value === 'string') {
    if (hasHiddenSigns(value)) context.addIssue({ code: 'custom', path: [...path], message: HIDDEN_SIGNS_SENTENCE });
  } else if (value !== null && typeof value === 'object')
    for (const [key, each] of Object.entries(value)) checkTexts(each, [...path, key], context);
}

/** Whether a text is fit to be a name. @example isPlain('Heron') // true */
export function isPlain(text: string): boolean {
  return !NOT_PLAIN.test(text);
}

/** Refuses a name that is not plain. What was stored before is read all the same: only what comes in is looked at. */
export function checkPlain(name: string, path: readonly string[], context: z.RefinementCtx): void {
  if (!isPlain(name)) context.addIssue({ code: 'custom', path: [...path], message: NOT_PLAIN_SENTENCE });
}
