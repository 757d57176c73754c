import { createHmac, timingSafeEqual } from 'node:crypto';

/** What a private address opens. */
type Purpose =
  'calendar' | 'workshop' | 'handover' | 'reset' | 'confirm-old' | 'confirm-new' | 'invitation' | 'notice' | 'letters';

/**
 * The secret part of a private address: a random id and a signature of it (HMAC-SHA256, 256 bits), so that knowing what the database
 * holds opens nothing.
 */
export function keyOf(purpose: Purpose, id: string, secret: string): string {
  return `${id}.${createHmac('sha256', secret).update(`${purpose} ${id}`).digest('base64url')}`;
}

/** The id that a key was made of; null for one that was not made here. Takes as long for a wrong one as for a right one. */
export function idOfKey(purpose: Purpose, key: string, secret: string): string | null {
  const id = key.split('.', 1)[0] ?? '';
  const expected = Buffer.from(keyOf(purpose, id, secret));
  const given = Buffer.from(key);
  return expected.length === given.length && timingSafeEqual(expected, given) ? id : null;
}
