import { LOOK_DATA } from '../instruments';
import { playingFrom, type InstrumentLog, type OfBow, type Session, type StepRecord } from '../log';

/** From when until when a bow was the one an instrument was played with, ms; `to` is Infinity while it is. */
interface Span {
  bowId: string;
  from: number;
  to: number;
  /** The entry by which it was put away. */
  endedBy: string | null;
}

/** The log of an instrument, and the bow it is played with where nobody said: its own, or the first it has. */
export interface Bowed {
  log: InstrumentLog;
  usualBow: string;
}

/** Which bow was in hand when, one after another. */
function spansOf({ log, usualBow }: Bowed): Span[] {
  const spans: Span[] = [{ bowId: usualBow, from: -Infinity, to: Infinity, endedBy: null }];
  for (const { at, bowId, eventId } of log.bowsTaken) {
    const last = spans.at(-1)!;
    if (last.bowId === bowId) continue;
    last.to = at;
    last.endedBy = eventId;
    spans.push({ bowId, from: at, to: Infinity, endedBy: null });
  }
  return spans;
}

/** The bow an instrument is played with at the moment its log was folded to. */
export function bowInHand({ log, usualBow }: Bowed): string {
  return log.bowsTaken.at(-1)?.bowId ?? usualBow;
}

/** What of a session was played in a span; null where nothing was. */
function within(session: Session, { from, to }: Span): Session | null {
  const { beganAt, endedAt } = session;
  if (beganAt >= to || (endedAt !== null && endedAt < from)) return null;
  const begin = Math.max(beganAt, from);
  const end = endedAt === null ? (to === Infinity ? null : to) : Math.min(endedAt, to);
  return end !== null && end <= begin && begin !== beganAt ? null : { ...session, beganAt: begin, endedAt: end };
}

const inTime = <M extends { at: number }>(marks: M[]): M[] => marks.sort((a, b) => a.at - b.at);

/** A bow that is put away for another is slackened: it is in the hand when that is done. */
function putAway(spans: readonly Span[]): StepRecord[] {
  return spans.flatMap(({ to, endedBy }): StepRecord[] =>
    endedBy === null ? [] : [{ eventId: endedBy, at: to, step: 'slacken', done: true, sessionId: null }],
  );
}

/** What one instrument's log holds of a bow. */
function partOfLog(bowId: string, bowed: Bowed) {
  const { log } = bowed;
  const spans = spansOf(bowed);
  const own = spans.filter((span) => span.bowId === bowId);
  const inHand = (at: number) => own.some(({ from, to }) => at >= from && at < to);
  const ofIt = (mark: OfBow & { at: number }) => (mark.bowId === null ? inHand(mark.at) : mark.bowId === bowId);
  return {
    sessions: own.flatMap((span) => log.sessions.flatMap((session) => within(session, span) ?? [])),
    steps: [...log.steps.filter(({ at }) => inHand(at)), ...putAway(own)],
    rosinings: log.rosinings.filter(ofIt),
    rehairs: log.rehairs.filter(ofIt),
    hairLooks: log.hairLooks.filter(ofIt),
    measures: log.measures.filter((measure) => !measure.figure.startsWith('bow-') || ofIt(measure)),
    findings: log.findings.filter((finding) => LOOK_DATA[finding.look].bow && ofIt(finding)),
    settlements: [...log.settlements],
  };
}

/** Whether an instrument was never played with any other bow, nor anything of its log said of one. */
function isAlone(bowId: string, { log, usualBow }: Bowed): boolean {
  const foreign = ({ bowId: other }: OfBow) => other !== null && other !== bowId;
  return (
    usualBow === bowId &&
    log.bowsTaken.every((taken) => taken.bowId === bowId) &&
    ![log.rosinings, log.rehairs, log.hairLooks, log.measures, log.findings].some((marks) => marks.some(foreign))
  );
}

/**
 * What the logs of the instruments a bow was played on amount to for the bow: its sessions, its rosin, its hair, its turns. A
 * session in which bows were changed is shared out at that moment. Of an instrument with one bow it is the log itself.
 * @param played the instruments it is played on, its home first; at least one
 */
export function bowLog(bowId: string, played: readonly [Bowed, ...Bowed[]]): InstrumentLog {
  const [home] = played;
  if (played.length === 1 && isAlone(bowId, home)) return home.log;
  const parts = played.map((each) => partOfLog(bowId, each));
  const sessions = parts.flatMap((part) => part.sessions).sort((a, b) => a.beganAt - b.beganAt);
  return {
    ...home.log,
    sessions,
    running: sessions.findLast(({ endedAt }) => endedAt === null) ?? null,
    playing: playingFrom(sessions, home.log.nowMs),
    steps: inTime(parts.flatMap((part) => part.steps)),
    rosinings: inTime(parts.flatMap((part) => part.rosinings)),
    rehairs: inTime(parts.flatMap((part) => part.rehairs)),
    hairLooks: inTime(parts.flatMap((part) => part.hairLooks)),
    measures: inTime(parts.flatMap((part) => part.measures)),
    findings: inTime(parts.flatMap((part) => part.findings)),
    settlements: inTime(parts.flatMap((part) => part.settlements)),
  };
}
