import { bisectRight } from 'd3-array';
import { HOUR_MS } from '../time';
import { LONGEST_SESSION_H, type Session } from './sessions';

/** Playing time as merged stretches with running totals, so that "hours played since" is a look-up. */
export interface Playing {
  begins: readonly number[];
  ends: readonly number[];
  /** Hours played before each stretch begins. */
  hoursBefore: readonly number[];
}

/**
 * Playing time out of sessions. Sessions that overlap are counted once.
 * A clock still running counts up to `nowMs`, at most 24 h.
 * @param sessions in order of their beginning
 */
export function playingFrom(sessions: readonly Session[], nowMs: number): Playing {
  const begins: number[] = [];
  const ends: number[] = [];
  const hoursBefore: number[] = [];
  let hours = 0;
  for (const { beganAt, endedAt } of sessions) {
    const end = Math.min(endedAt ?? beganAt + LONGEST_SESSION_H * HOUR_MS, nowMs);
    const lastEnd = ends.length > 0 ? ends[ends.length - 1]! : -Infinity;
    if (end <= Math.max(beganAt, lastEnd)) continue;
    if (beganAt <= lastEnd) {
      ends[ends.length - 1] = end;
      hours += (end - lastEnd) / HOUR_MS;
      continue;
    }
    begins.push(beganAt);
    ends.push(end);
    hoursBefore.push(hours);
    hours += (end - beganAt) / HOUR_MS;
  }
  return { begins, ends, hoursBefore };
}

/** Index of the last stretch that begins at or before `atMs`; -1 when there is none. */
const stretchAt = (begins: readonly number[], atMs: number): number => bisectRight(begins, atMs) - 1;

/** Hours played up to an instant. */
export function hoursUntil(playing: Playing, atMs: number): number {
  const at = stretchAt(playing.begins, atMs);
  if (at < 0) return 0;
  return playing.hoursBefore[at]! + (Math.min(atMs, playing.ends[at]!) - playing.begins[at]!) / HOUR_MS;
}

/** Hours played from one instant to another; 0 when they are the wrong way round. */
export function hoursBetween(playing: Playing, fromMs: number, toMs: number): number {
  return toMs <= fromMs ? 0 : hoursUntil(playing, toMs) - hoursUntil(playing, fromMs);
}

/** End of the first stretch of playing that reaches past an instant; null when nothing was played since. */
export function firstPlayedAfter(playing: Playing, atMs: number): number | null {
  const at = stretchAt(playing.begins, atMs);
  if (at >= 0 && playing.ends[at]! > atMs) return playing.ends[at]!;
  return playing.ends[at + 1] ?? null;
}
