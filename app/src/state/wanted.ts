import type { Href } from 'expo-router';

/** Where somebody was sent who has to sign in first: kept in this tab alone, until they have. */
const KEY = 'tembrin-wanted';
/** Links that are worth the way back: an instrument that is offered. */
const KEPT = '/kit/take';

/** Keeps the address of the page that is open, where it is one of those links. */
export function keepWanted(): void {
  const { pathname, search } = window.location;
  if (pathname === KEPT) sessionStorage.setItem(KEY, pathname + search);
}

/** Where to go once signed in. @param usual where nobody was sent anywhere */
export function takeWanted(usual: Href): Href {
  const wanted = sessionStorage.getItem(KEY);
  sessionStorage.removeItem(KEY);
  return wanted?.startsWith(KEPT) ? (wanted as Href) : usual;
}
