/**
 * What this browser keeps of the stand so that it is there at once at the next opening: how it was drawn last, which is shown before
 * the app itself has come, and the judgement it rested on, which the app draws before the log is read.
 */

import type { KnownClocks } from '@tembrin/core/time';

/** The stand as it was drawn. */
export interface Drawn {
  html: string;
  /** The rules its classes stand for. */
  css: string;
  /** What it was drawn for: another width, or the other light, would be another picture. */
  width: number;
  dark: boolean;
  /** The colour behind it. */
  ground: string;
  /** How its time is told beside it. */
  asOf: string;
  /** When, ms. */
  atMs: number;
  /** Whose household, as `whoIsHere` tells: what a tab that stayed open keeps after signing out is shown to nobody else. */
  whose: string;
}

/** A judgement as it was kept, in plain figures: of which build of the app, whose, and of what. */
export interface Judged {
  build: string;
  householdId: string;
  instrumentId: string;
  /** The instrument's version: what was said of it since makes it another. */
  version: number;
  assessment: unknown;
  /** Its zone's clocks: a slow phone asks 0.15 s for the first it is told of them. */
  clocks: KnownClocks;
}

/** What stands in the page under this id says when it is as of. */
export const AS_OF = 'stand-as-of';
/** Told to the page when something was pressed on the kept stand that the stand itself does not have. */
export const MISSED = 'tembrin-missed';
const DRAWN = 'tembrin-drawn';
/**
 * Beside it, and not in a database: that answers when the page has nothing else to do, and while the app comes it always has. The demo
 * library's is 290 KB, and read in 2 ms.
 */
const JUDGED = 'tembrin-judged';
/** The browser has room for five million letters, which the app needs for other things too, and reads all of them at once. From memory. */
const MOST_LETTERS = 1_000_000;
/** What is older helps nobody. From memory. */
const LASTS_MS = 7 * 24 * 3_600_000;

export function writeDrawn(drawn: Drawn): void {
  localStorage.setItem(DRAWN, JSON.stringify(drawn));
}

export function forgetDrawn(): void {
  localStorage.removeItem(DRAWN);
}

/** The stand as it was drawn last; null when nothing of use is kept. */
export function readDrawn(width: number, dark: boolean, nowMs: number): Drawn | null {
  try {
    const drawn = JSON.parse(localStorage.getItem(DRAWN) ?? 'null') as Drawn | null;
    if (!drawn || drawn.width !== width || drawn.dark !== dark || !isFresh(drawn.atMs, nowMs)) return null;
    return drawn.whose === whoIsHere() ? drawn : null;
  } catch {
    return null;
  }
}

/** Who is signed in in this browser, and to which household, as the app keeps it; null when nobody is. */
export function whoIsHere(): string | null {
  const here = JSON.parse(localStorage.getItem('tembrin-household') ?? 'null') as { id: string; email: string } | null;
  return here && `${here.id} ${here.email}`;
}

/** Whether what was kept at a moment is new enough to be shown, ms. */
export const isFresh = (atMs: number, nowMs: number): boolean => atMs <= nowMs && nowMs - atMs < LASTS_MS;

/** Whether this device shows the app dark, as the app itself finds it. */
export function isDark(): boolean {
  try {
    const look = (JSON.parse(localStorage.getItem('tembrin-look') ?? 'null') as { state?: { look?: string } } | null)
      ?.state?.look;
    if (look === 'day' || look === 'night') return look === 'night';
  } catch {
    // Then as the device has it.
  }
  return matchMedia('(prefers-color-scheme: dark)').matches;
}

/** The judgement kept last; null when nothing of use is kept. */
export function readJudged(): Judged | null {
  try {
    return JSON.parse(localStorage.getItem(JUDGED) ?? 'null') as Judged | null;
  } catch {
    return null;
  }
}

/** Keeps a judgement in place of the last, which is gone even where this one is too much. @throws when this browser keeps nothing for the page */
export function writeJudged(kept: Judged): void {
  localStorage.removeItem(JUDGED);
  const text = JSON.stringify(kept);
  if (text.length < MOST_LETTERS) localStorage.setItem(JUDGED, text);
}

/** Lets go of all of it, as when somebody signs out. */
export function forgetStand(): void {
  try {
    forgetDrawn();
    localStorage.removeItem(JUDGED);
    // Where it was kept by builds before.
    indexedDB.deleteDatabase('tembrin.stand');
  } catch {
    // A browser that keeps nothing has nothing to let go of.
  }
}
