import { DAY_MS, localDay, MINUTE_MS, offsetMs, wallInstant, weekdayOf } from '../time';
import { concernKey, NOTICE_DATA, type Concern, type NoticeKind } from './kinds';

/** When somebody wants to be told, and of what. */
export interface NoticePreferences {
  /** IANA name of where the person is. */
  timeZone: string;
  /** Minutes after midnight between which nothing is sent; over midnight where `fromMin` is the later; the same twice: never quiet. */
  quiet: { fromMin: number; toMin: number };
  /** The digest: minutes after midnight, and weekdays, 0 Monday to 6 Sunday; null: none. */
  digest: { atMin: number; weekdays: readonly number[] } | null;
  /** Kinds and instruments that are switched off. */
  off: readonly NoticeKind[];
  muted: readonly string[];
}

/** As long as nobody says otherwise: quiet from nine to eight, the digest on Saturday mornings. From memory. */
export const USUAL_TIMES: Readonly<Omit<NoticePreferences, 'timeZone'>> = {
  quiet: { fromMin: 21 * 60, toMin: 8 * 60 },
  digest: { atMin: 9 * 60, weekdays: [5] },
  off: [],
  muted: [],
};

/** Something that was told. */
export interface Sent {
  key: string;
  worse: number;
  atMs: number;
  /** Whether it was in a digest. */
  digest: boolean;
  /** When it was still so, as far as was looked, ms. */
  soAtMs: number;
  /** Put off until then, ms: told again, however it is by then. Null: it was not. */
  againMs: number | null;
  /** It was said to be done: not told again until it is over, and comes again. */
  done: boolean;
}

/**
 * What was told, after another look: what is still so is marked, what is over for long enough is forgotten, so that it is news when it
 * comes again.
 * @param concerns what there is to tell at this moment
 */
export function stillTold(sent: readonly Sent[], concerns: readonly Concern[], nowMs: number): Sent[] {
  const so = new Set(concerns.map(concernKey));
  return sent.flatMap((each) => {
    if (so.has(each.key)) return [{ ...each, soAtMs: nowMs }];
    const { overDays } = NOTICE_DATA[each.key.split(' ', 1)[0] as NoticeKind];
    // What was sent in the last two days is counted, over or not.
    const lasts = Math.max(each.soAtMs + overDays * DAY_MS, each.atMs + 2 * DAY_MS);
    return nowMs < lasts ? [each] : [];
  });
}

/** Messages that cannot wait, in one day: a day on which all goes wrong is still not twenty. From memory. */
export const ALERTS_A_DAY = 2;

/** What is to be told now, and when to look again. */
export interface Decision<C extends Concern = Concern> {
  /** All of them in one message; none: nothing is sent. */
  alert: readonly C[];
  digest: readonly C[];
  /** When something that waits may be told, ms; null: nothing waits. */
  nextMs: number | null;
}

const minuteOfDay = (nowMs: number, timeZone: string) =>
  Math.floor((((nowMs + offsetMs(nowMs, timeZone)) % DAY_MS) + DAY_MS) % DAY_MS) / MINUTE_MS;

/** Whether nothing is sent at a moment. */
export function isQuiet({ quiet: { fromMin, toMin }, timeZone }: NoticePreferences, nowMs: number): boolean {
  const minute = minuteOfDay(nowMs, timeZone);
  return fromMin <= toMin ? minute >= fromMin && minute < toMin : minute >= fromMin || minute < toMin;
}

/** The next moment at which a clock there shows a time, after now. */
function nextAt(minute: number, nowMs: number, timeZone: string, isDay: (weekday: number) => boolean): number | null {
  const today = localDay(nowMs, timeZone);
  for (let day = today; day <= today + 8; day++) {
    const at = wallInstant(day * DAY_MS + minute * MINUTE_MS, timeZone);
    if (at > nowMs && isDay(weekdayOf(day))) return at;
  }
  return null;
}

const anyDay = () => true;

/** Each concern once, as it stands worst. */
function worstOfEach<C extends Concern>(concerns: readonly C[]): C[] {
  const worst = new Map<string, C>();
  for (const concern of concerns) {
    const known = worst.get(concernKey(concern));
    if (!known || concern.worse > known.worse) worst.set(concernKey(concern), concern);
  }
  return [...worst.values()];
}

/** When something may be told: at once, ms; not at all: null. It was not told yet, was put off, or is worse by its kind's step than it was told. */
function newsAt(concern: Concern, sent: readonly Sent[]): number | null {
  const key = concernKey(concern);
  const { step } = NOTICE_DATA[concern.kind];
  const told = sent.filter((each) => each.key === key).sort((a, b) => a.atMs - b.atMs);
  const last = told.at(-1);
  if (!last) return -Infinity;
  if (last.done) return null;
  if (last.againMs !== null) return last.againMs;
  return step !== null && concern.worse >= Math.max(...told.map(({ worse }) => worse)) + step ? -Infinity : null;
}

/**
 * What somebody is told at a moment: of what cannot wait, at once, but in quiet hours and no more than so often a day; of the rest
 * once at the hour they chose. Nothing twice that has not become worse; nothing about which nothing can be done any more.
 * @param concerns what there is to tell them, as it stands
 * @param sent what was told them
 */
export function decide<C extends Concern>(
  concerns: readonly C[],
  preferences: NoticePreferences,
  sent: readonly Sent[],
  nowMs: number,
): Decision<C> {
  const { timeZone, digest, off, muted } = preferences;
  const today = localDay(nowMs, timeZone);
  const sentToday = sent.filter(({ atMs }) => localDay(atMs, timeZone) === today);
  const news = worstOfEach(concerns).flatMap((concern) => {
    if (concern.untilMs <= nowMs || off.includes(concern.kind) || muted.includes(concern.instrumentId)) return [];
    const at = newsAt(concern, sent);
    return at === null ? [] : [{ concern, at }];
  });
  const waiting = news.filter(({ at }) => at > nowMs);
  const open = news.flatMap(({ concern, at }) => (at > nowMs ? [] : [concern]));
  const alerts = open.filter(({ kind }) => NOTICE_DATA[kind].alert);
  // A message is what was sent at one moment.
  const messages = new Set(sentToday.filter((each) => !each.digest).map(({ atMs }) => atMs)).size;
  const quiet = isQuiet(preferences, nowMs);
  const mayAlert = !quiet && messages < ALERTS_A_DAY;
  const due =
    digest !== null &&
    !quiet &&
    digest.weekdays.includes(weekdayOf(today)) &&
    minuteOfDay(nowMs, timeZone) >= digest.atMin &&
    !sentToday.some((each) => each.digest);
  const alert = mayAlert ? alerts : [];
  // What was too much for today goes with the digest, where that comes first.
  const inDigest = due ? open.filter((concern) => !alert.includes(concern)) : [];
  const left = open.filter((concern) => !alert.includes(concern) && !inDigest.includes(concern));
  const next = [
    ...waiting.map(({ at }) => at),
    ...(left.length > 0 && digest
      ? [nextAt(digest.atMin, nowMs, timeZone, (day) => digest.weekdays.includes(day))]
      : []),
    ...(left.some(({ kind }) => NOTICE_DATA[kind].alert)
      ? [nextAt(quiet ? preferences.quiet.toMin : 0, nowMs, timeZone, anyDay)]
      : []),
  ].filter((at) => at !== null);
  return { alert, digest: inDigest, nextMs: next.length === 0 ? null : Math.min(...next) };
}

/** What is put down as told by a decision. */
export function sentBy({ alert, digest }: Pick<Decision, 'alert' | 'digest'>, atMs: number): Sent[] {
  const told = (inDigest: boolean) => (concern: Concern) => ({
    key: concernKey(concern),
    worse: concern.worse,
    atMs,
    digest: inDigest,
    soAtMs: atMs,
    againMs: null,
    done: false,
  });
  return [...alert.map(told(false)), ...digest.map(told(true))];
}
