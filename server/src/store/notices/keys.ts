import { idOfKey, keyOf } from '../private-address';

/** With which one reminder is answered. */
export const noticeKey = (noticeId: string, secret: string) => keyOf('notice', noticeId, secret);
export const noticeOfKey = (key: string, secret: string) => idOfKey('notice', key, secret);

/** With which the letters to one person are ended. */
export const lettersKey = ({ householdId, id }: { householdId: string; id: string }, secret: string) =>
  keyOf('letters', `${householdId}~${id}`, secret);

/** The person whose letters a key ends; null for one that was not made here. */
export function lettersOfKey(key: string, secret: string): { householdId: string; id: string } | null {
  const found = idOfKey('letters', key, secret)?.split('~');
  return found?.length === 2 ? { householdId: found[0]!, id: found[1]! } : null;
}
