import { instrumentAir, type PlaceAir } from '../air';
import { schoolsFor, type InstrumentFacts } from '../instruments';
import { foldLog, type LogEvent } from '../log';
import { dueItems } from '../parts';
import type { SchoolChoices } from '../schools';
import { daysAway, yearPlan, type Appointment, type Occasion, type YearPlan } from '../year';
import { assess, type Assessment } from './assessment';

/** An instrument of a household. */
export type OwnInstrument = InstrumentFacts & {
  id: string;
  /** When the household began to record it: an instant in ISO 8601. */
  addedAt: string;
};

/** What holds for all instruments of a household. */
export interface HouseholdSettings {
  /** IANA name of its place. */
  timeZone: string;
  schools: SchoolChoices;
}

/** Places of a household by id, with their air as it is known; empty where nothing is. */
export type KnownPlaces = ReadonlyMap<string, PlaceAir>;

/**
 * One instrument of a household, judged from its log, the household's settings and the air, at a moment.
 * The one entry for app and server.
 * @param events its events, in any order
 * @param occasions what the player's calendar holds: holidays are pauses that are known
 * @param nowMs ms since 1970-01-01T00:00Z; events dated later do not count yet
 */
export function assessInstrument<I extends OwnInstrument>(
  instrument: I,
  events: readonly LogEvent[],
  { timeZone, schools }: HouseholdSettings,
  places: KnownPlaces,
  occasions: readonly Occasion[],
  nowMs: number,
): Assessment<I> {
  const log = foldLog(events, nowMs, timeZone);
  const sides = schoolsFor(instrument.family, schools, instrument.schools);
  const air = instrumentAir(instrument, sides.air, log, places);
  return assess(instrument, log, sides, Date.parse(instrument.addedAt), air, daysAway(occasions, instrument.id, log));
}

/** The year of a household from the assessments of all its instruments and what stands on its cards. */
export function assessYear(
  assessments: readonly Assessment<OwnInstrument>[],
  appointments: readonly Appointment[],
  occasions: readonly Occasion[],
  nowMs: number,
  timeZone: string,
): YearPlan {
  const items = assessments.flatMap((assessment) => dueItems(assessment.facts.id, assessment.threads, assessment));
  return yearPlan(items, appointments, occasions, nowMs, timeZone);
}

/** Everything a household is judged from. */
export interface HouseholdQuestion<I extends OwnInstrument> extends HouseholdSettings {
  instruments: readonly I[];
  /** Events by the instrument they are about. */
  eventsOf: (instrumentId: string) => readonly LogEvent[];
  places: KnownPlaces;
  appointments: readonly Appointment[];
  occasions: readonly Occasion[];
  nowMs: number;
}

/** A whole household: every instrument, and its year. */
export function assessHousehold<I extends OwnInstrument>(
  question: HouseholdQuestion<I>,
): { assessments: Assessment<I>[]; year: YearPlan } {
  const { instruments, eventsOf, places, appointments, occasions, nowMs, timeZone } = question;
  const assessments = instruments.map((instrument) =>
    assessInstrument(instrument, eventsOf(instrument.id), question, places, occasions, nowMs),
  );
  return { assessments, year: assessYear(assessments, appointments, occasions, nowMs, timeZone) };
}

/** Events by the instrument they are about. */
export function byInstrument(events: readonly LogEvent[]): Map<string, LogEvent[]> {
  const found = new Map<string, LogEvent[]>();
  for (const event of events) {
    const own = found.get(event.instrumentId);
    if (own) own.push(event);
    else found.set(event.instrumentId, [event]);
  }
  return found;
}
