import { createContext } from 'react';

/** Whose page it is and in which place of the app, from near to far: what a page's title goes on with. */
export const PageTrail = createContext<readonly string[]>([]);

let used = false;

/** Notes the first touch or key: before it, the focus is the browser's to place. */
export function watchForUse(): () => void {
  const note = () => (used = true);
  const how = { capture: true, once: true };
  const kinds = ['pointerdown', 'keydown'] as const;
  kinds.forEach((kind) => window.addEventListener(kind, note, how));
  return () => kinds.forEach((kind) => window.removeEventListener(kind, note, how));
}

/**
 * Gives a screen's heading the focus as it appears, where what had it went away with the screen before: who listens hears where
 * they are, and who types goes on from there. What has the focus still, as a field that asks for it or a link that stays, keeps it.
 */
export function arrive(heading: unknown): void {
  if (!used || !(heading instanceof HTMLElement)) return;
  if (document.activeElement !== null && document.activeElement !== document.body) return;
  const target = heading.closest<HTMLElement>('button, a, [role=button]') ?? heading;
  target.focus({ preventScroll: true });
}
