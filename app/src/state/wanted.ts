import type { Href } from 'expo-router';

/** Where somebody was sent who has to sign in first: kept in this tab alone, until they have. */
const KEY = 'tembrin-wanted';
/** Links that are worth the way back: an instrument that is offered, an invitation, a label. */
const KEPT = ['/kit/take', '/join'];
const LABEL = '/stand/';

/** Keeps the address of the page that is open, where it is one of those links. */
export function keepWanted(): void {
  const { pathname, search, hash } = window.location;
  if (KEPT.includes(pathname) || pathname.startsWith(LABEL)) sessionStorage.setItem(KEY, pathname + search + hash);
}

/** Where to go once signed in. @param usual where nobody was sent anywhere */
export function takeWanted(usual: Href): Href {
  const wanted = sessionStorage.getItem(KEY);
  // What stands behind the # the page itself takes from here.
  if (wanted?.includes('#')) return wanted.split('#')[0] as Href;
  sessionStorage.removeItem(KEY);
  return wanted !== null && [...KEPT, LABEL].some((path) => wanted.startsWith(path)) ? (wanted as Href) : usual;
}

/** What stands behind the # of the page that is open, or of the address somebody came by. */
export function keyWanted(): string {
  return window.location.hash.slice(1) || (sessionStorage.getItem(KEY)?.split('#')[1] ?? '');
}

/** What was wanted is done. */
export const forgetWanted = (): void => sessionStorage.removeItem(KEY);
