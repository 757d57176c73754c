import equal from 'fast-deep-equal';
import type { Assessment } from '@tembrin/core/assess';
import type { InstrumentLog } from '@tembrin/core/log';

/** Shorter lists are told whole. */
const LONG = 50;

/** A list that begins with what was told before: so much of it, and what follows. */
interface Tail {
  same: number;
  more: readonly unknown[];
}

type Lists = Readonly<Record<string, unknown>>;
/** A log, its long lists as far as they are other than before. */
interface ShortLog {
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

function tailOf(before: unknown, now: readonly unknown[]): Tail {
  if (!Array.isArray(before)) return { same: 0, more: now };
  let same = 0;
  while (same < now.length && same < before.length && equal(now[same], before[same])) same++;
  return { same, more: now.slice(same) };
}

/** Splits what is a long list from everything else. */
function split(before: Lists, now: Lists): { told: Lists; tails: Record<string, Tail> } {
  const told: Record<string, unknown> = {};
  const tails: Record<string, Tail> = {};
  for (const [name, value] of Object.entries(now)) {
    if (Array.isArray(value) && value.length > LONG) tails[name] = tailOf(before[name], value);
    else told[name] = value;
  }
  return { told, tails };
}

const NO_LISTS = { playing: {} };

function shortened(before: InstrumentLog | undefined, { playing, ...log }: InstrumentLog): ShortLog {
  const known = before ?? NO_LISTS;
  const { told, tails } = split(known as Lists, log);
  const played = split(known.playing as Lists, playing as unknown as Lists);
  return { told: { ...told, playing: played.told }, tails, playing: played.tails };
}

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

const logOfBow = (assessment: Assessment | undefined, id: string) =>
  assessment?.bows.find(({ bow }) => bow.id === id)?.log;

/** What a judgement says beyond the one that was told before; `undefined`: none was. */
export function toldAgain<A extends Assessment>(before: A | undefined, { log, bows, ...rest }: A): ToldAgain<A> {
  return {
    rest: rest as Omit<A, 'log' | 'bows'>,
    log: shortened(before?.log, log),
    bows: bows.map(({ log: own, ...bow }) => ({
      bow,
      log: own === log ? null : shortened(logOfBow(before, bow.bow.id), own),
    })),
  };
}

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
