import type { Move, Weighing } from '../air';
import { HOUR_MS, type LocalDay } from '../time';
import type { Figure } from '../instruments/figures';
import type { EventOf, LogEvent, StepId } from './events';
import { playingFrom, type Playing } from './playing';
import { liveEvents } from './retraction';
import { sessionsFrom, type Session } from './sessions';

export interface StepRecord {
  eventId: string;
  step: StepId;
  done: boolean;
  sessionId: string | null;
  at: number;
}

export interface Mark {
  eventId: string;
  at: number;
}

/** A mark whose date may be only a bound: `known` false means that it happened no later than `at`. */
export interface KnownMark extends Mark {
  known: boolean;
}

export type Fitting = KnownMark & EventOf<'strings-fitted'>['payload'];

/** A guided change of strings, under way or over. */
export type StringChange = Mark &
  EventOf<'change-began'>['payload'] & {
    /** When it ended, ms; null while it is under way. */
    endedAt: number | null;
  };

/** A tuning on record: how far a string was found off. */
export type TuningMark = Mark & EventOf<'tuned'>['payload'];

/** A figure of the set-up sheet as it was measured. */
export interface Measure extends Mark {
  figure: Figure;
  value: number;
}

export type DrillResult = Mark & EventOf<'drill-done'>['payload'];

/** What one instrument's log amounts to. Every list is in order of time. */
export interface InstrumentLog {
  nowMs: number;
  timeZone: string;
  live: readonly LogEvent[];
  sessions: readonly Session[];
  /** The session whose clock is running, if one is. */
  running: Session | null;
  playing: Playing;
  steps: readonly StepRecord[];
  fittings: readonly Fitting[];
  changes: readonly StringChange[];
  tunings: readonly TuningMark[];
  rehairs: readonly KnownMark[];
  hairLooks: readonly Mark[];
  rosinings: readonly Mark[];
  checkups: readonly KnownMark[];
  measures: readonly Measure[];
  regulations: readonly KnownMark[];
  packings: readonly Mark[];
  drills: readonly DrillResult[];
  moves: readonly (Mark & Move)[];
  weighings: readonly (Mark & Weighing)[];
}

/**
 * Folds one instrument's events into what they amount to at `nowMs`.
 * Depends on the set of events only: late, repeated or disordered arrival changes nothing.
 * @param events one instrument's events, in any order
 * @param nowMs ms since 1970-01-01T00:00Z; events dated later do not count yet
 * @param timeZone IANA name of the household's place
 */
export function foldLog(events: readonly LogEvent[], nowMs: number, timeZone: string): InstrumentLog {
  const live = liveEvents(events);
  const sessions = sessionsFrom(live, timeZone).filter((session) => session.beganAt <= nowMs);
  const steps: StepRecord[] = [];
  const fittings: Fitting[] = [];
  const changes: StringChange[] = [];
  const tunings: TuningMark[] = [];
  const rehairs: KnownMark[] = [];
  const hairLooks: Mark[] = [];
  const rosinings: Mark[] = [];
  const checkups: KnownMark[] = [];
  const measures: Measure[] = [];
  const regulations: KnownMark[] = [];
  const packings: Mark[] = [];
  const drills: DrillResult[] = [];
  const moves: (Mark & Move)[] = [];
  const weighings: (Mark & Weighing)[] = [];
  for (const event of live) {
    // Sessions are folded by themselves above; they are most of a log.
    if (event.type === 'session-began' || event.type === 'session-ended') continue;
    const at = Date.parse(event.occurredAt);
    if (at > nowMs) continue;
    const eventId = event.id;
    switch (event.type) {
      case 'step-done':
      case 'step-skipped': {
        const { step, sessionId } = event.payload;
        steps.push({ eventId, at, step, done: event.type === 'step-done', sessionId });
        break;
      }
      case 'strings-fitted':
        fittings.push({ eventId, at, ...event.payload });
        break;
      case 'change-began':
        changes.push({ eventId, at, ...event.payload, endedAt: null });
        break;
      case 'change-ended': {
        const change = changes.find(({ eventId: begun }) => begun === event.payload.changeId);
        if (change) change.endedAt ??= at;
        break;
      }
      case 'tuned':
        tunings.push({ eventId, at, ...event.payload });
        break;
      case 'rehaired':
        rehairs.push({ eventId, at, known: event.payload.known });
        break;
      case 'hair-looked-over':
        hairLooks.push({ eventId, at });
        break;
      case 'rosined':
        rosinings.push({ eventId, at });
        break;
      case 'checked-up':
        checkups.push({ eventId, at, known: event.payload.known });
        break;
      case 'measured':
        measures.push({ eventId, at, ...event.payload });
        break;
      case 'regulated':
        regulations.push({ eventId, at, known: event.payload.known });
        break;
      case 'packed':
        packings.push({ eventId, at });
        break;
      case 'drill-done':
        drills.push({ eventId, at, ...event.payload });
        break;
      case 'moved':
        moves.push({ eventId, at, ...event.payload });
        break;
      case 'humidifier-weighed':
        weighings.push({ eventId, at, ...event.payload });
        break;
      default:
        break;
    }
  }
  return {
    nowMs,
    timeZone,
    live,
    sessions,
    running: sessions.at(-1)?.endedAt === null ? sessions.at(-1)! : null,
    playing: playingFrom(sessions, nowMs),
    steps,
    fittings,
    changes,
    tunings,
    rehairs,
    hairLooks,
    rosinings,
    checkups,
    measures,
    regulations,
    packings,
    drills,
    moves,
    weighings,
  };
}

/** When a closing-round step was last done; null when it never was. `beforeMs`: only what was done before then. */
export function lastDone(log: Pick<InstrumentLog, 'steps'>, step: StepId, beforeMs = Infinity): number | null {
  return log.steps.findLast((record) => record.done && record.step === step && record.at < beforeMs)?.at ?? null;
}

/** What was measured last of a figure; null when it never was. */
export function lastMeasure(log: Pick<InstrumentLog, 'measures'>, figure: Figure): Measure | null {
  return log.measures.findLast((measure) => measure.figure === figure) ?? null;
}

/**
 * The mark that counts: the last whose date is known. One of unknown date only says "no later than this", so any known one,
 * earlier or later, tells more; it counts when there is no other.
 */
export function decisive<M extends KnownMark>(marks: readonly M[]): M | null {
  return marks.findLast(({ known }) => known) ?? marks.at(-1) ?? null;
}

/** Hours of the sessions that began on a calendar day; a running one counts up to now. */
export function hoursOnDay(log: Pick<InstrumentLog, 'sessions' | 'nowMs'>, day: LocalDay): number {
  return log.sessions.reduce(
    (hours, session) =>
      session.day === day ? hours + ((session.endedAt ?? log.nowMs) - session.beganAt) / HOUR_MS : hours,
    0,
  );
}
