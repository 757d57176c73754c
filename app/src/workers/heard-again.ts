import type { Assessment } from '@tembrin/core/assess';
import type { InstrumentLog } from '@tembrin/core/log';

/** A list that begins with what was told before: so much of it, and what follows. */
export interface Tail {
  same: number;
  more: readonly unknown[];
}

export type Lists = Readonly<Record<string, unknown>>;
/** A log, its long lists as far as they are other than before. */
export interface ShortLog {
  told: Lists;
  tails: Readonly<Record<string, Tail>>;
  playing: Readonly<Record<string, Tail>>;
}

/** A judgement without what the one before it said already: of ten years of playing the last evening. */
export interface ToldAgain<A extends Assessment = Assessment> {
  rest: Omit<A, 'log' | 'bows'>;
  log: ShortLog;
  /** null: it is the instrument's own log. */
  bows: { bow: Omit<Assessment['bows'][number], 'log'>; log: ShortLog | null }[];
}

export const NO_LISTS = { playing: {} };

function joined(before: Lists, tails: Readonly<Record<string, Tail>>): Lists {
  return Object.fromEntries(
    Object.entries(tails).map(([name, { same, more }]) => [
      name,
      [...((before[name] as readonly unknown[] | undefined) ?? []).slice(0, same), ...more],
    ]),
  );
}

function lengthened(before: InstrumentLog | undefined, { told, tails, playing }: ShortLog): InstrumentLog {
  const known = before ?? NO_LISTS;
  const log = { ...told, ...joined(known as Lists, tails) };
  return {
    ...log,
    playing: { ...(told.playing as object), ...joined(known.playing as Lists, playing) },
  } as unknown as InstrumentLog;
}

export const logOfBow = (assessment: Assessment | undefined, id: string) =>
  assessment?.bows.find(({ bow }) => bow.id === id)?.log;

/** The judgement that was told again. @param before the one it goes on from, as it stands here */
export function heardAgain<A extends Assessment>(before: A | undefined, { rest, log, bows }: ToldAgain<A>): A {
  const own = lengthened(before?.log, log);
  return {
    ...rest,
    log: own,
    bows: bows.map(({ bow, log: short }) => ({
      ...bow,
      log: short === null ? own : lengthened(logOfBow(before, bow.bow.id), short),
    })),
  } as unknown as A;
}
