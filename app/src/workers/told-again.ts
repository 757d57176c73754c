import equal from 'fast-deep-equal';
import type { Assessment } from '@tembrin/core/assess';
import type { InstrumentLog } from '@tembrin/core/log';
import { logOfBow, NO_LISTS, type Lists, type ShortLog, type Tail, type ToldAgain } from './heard-again';

/** Shorter lists are told whole. */
const LONG = 50;

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

function shortened(before: InstrumentLog | undefined, { playing, ...log }: InstrumentLog): ShortLog {
  const known = before ?? NO_LISTS;
  const { told, tails } = split(known as Lists, log);
  const played = split(known.playing as Lists, playing as unknown as Lists);
  return { told: { ...told, playing: played.told }, tails, playing: played.tails };
}

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
