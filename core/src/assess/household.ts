import { instrumentAir, type PlaceAir } from '../air';
import { bowInHand, bowLog, bowsFor, bowsOf, type Bow, type Bowed, type SaidBow } from '../bow';
import { HABIT_HOURS, isBowed, schoolsFor, type Habit } from '../instruments';
import { foldLog, type InstrumentLog, type LogEvent } from '../log';
import { inWorkshopUntil, staysAway } from './workshop';
import { dueItems, isOnBow, threadOf, type DueItem } from '../parts';
import type { LifeSeen } from '../wear';
import { agreedSchools } from '../people';
import type { SchoolChoices } from '../schools';
import { daysAway, yearPlan, type Appointment, type Occasion, type YearPlan } from '../year';
import { assess, type Assessment, type Basis, type PlayedBow } from './assessment';
import type { OwnInstrument } from './own-instrument';
import { handsOn, kinOf, partOfPace, playersOf, playShares, type PaceTold, type Player } from './players';

/** What holds for all instruments of a household. */
export interface HouseholdSettings {
  /** IANA name of its place. */
  timeZone: string;
  schools: SchoolChoices;
}

/** Places of a household by id, with their air as it is known; empty where nothing is. */
export type KnownPlaces = ReadonlyMap<string, PlaceAir>;

/** Everything a household is judged from. */
export interface HouseholdQuestion<I extends OwnInstrument> extends HouseholdSettings {
  instruments: readonly I[];
  /** Events by the instrument they are about, in any order; those dated later than `nowMs` do not count yet. */
  eventsOf: (instrumentId: string) => readonly LogEvent[];
  places: KnownPlaces;
  appointments: readonly Appointment[];
  /** What the player's calendar holds: holidays are pauses that are known. */
  occasions: readonly Occasion[];
  /** What was said of its bows. */
  bows: readonly SaidBow[];
  /** Who plays what; left out: nobody said. */
  people?: readonly Player[];
  /** The moment judged, ms since 1970-01-01T00:00Z. */
  nowMs: number;
}

/** What each instrument tells of its players, by its id. */
export type KnownElsewhere = ReadonlyMap<string, Learned>;

type Question<I extends OwnInstrument> = Omit<HouseholdQuestion<I>, 'appointments'> & { elsewhere?: KnownElsewhere };

/** What an instrument tells of its players, for others they play. */
export interface Learned {
  /** How long strings lasted. */
  lives: readonly LifeSeen[];
  /** How much is played; null while too little is on record, or nobody said by whom. */
  pace: PaceTold | null;
}

export function learnedFrom(
  { facts, threads, pace, log }: Pick<Assessment<OwnInstrument>, 'facts' | 'threads' | 'pace' | 'log'>,
  people: readonly Player[] = [],
): Learned {
  const ids = playersOf(facts.id, people).map(({ id }) => id);
  const shares = () =>
    playShares(log, ids).map(({ personId, share }) => ({ personId, share: Math.round(share * 100) / 100 }));
  return {
    lives: threadOf(threads, 'strings')?.lives ?? [],
    pace: pace.seen && ids.length > 0 ? { ...pace.seen, shares: shares() } : null,
  };
}

/**
 * Other instruments whose logs a judgement of one rests on: those that a bow of its is played on too.
 * @returns ids, without its own
 */
export function sharersOf(
  instrumentId: string,
  instruments: readonly OwnInstrument[],
  said: readonly SaidBow[],
): ReadonlySet<string> {
  const shared = bowsFor(instrumentId, bowsOf(instruments, said)).flatMap(({ instrumentIds }) => instrumentIds);
  return new Set(shared.filter((id) => id !== instrumentId));
}

/** The bow an instrument is played with where nobody said: its own, or the first it has. */
const usualBowOf = (id: string, bows: readonly Bow[]) => bowsFor(id, bows)[0]?.id ?? id;

/** How much a bow is played, as far as that was said: a spare little, any other as much as the instrument that is played most. */
function saidOf({ use, instrumentIds }: Bow, instruments: readonly OwnInstrument[]): Habit | null {
  if (use === 'seldom') return 'minutes';
  const habits = instruments.flatMap(({ id, setUp }) => (instrumentIds.includes(id) ? (setUp.habit ?? []) : []));
  return habits.sort((a, b) => HABIT_HOURS[b] - HABIT_HOURS[a])[0] ?? null;
}

/** The bows of an instrument with what was played with each, the one in hand first. */
function playedBows<I extends OwnInstrument>(instrument: I, log: InstrumentLog, question: Question<I>): PlayedBow[] {
  const { instruments, bows: said, eventsOf, nowMs, timeZone } = question;
  if (!isBowed(instrument.family)) return [];
  const all = bowsOf(instruments, said);
  const logs = new Map([[instrument.id, log]]);
  const bowedAt = (id: string): Bowed => {
    const known = logs.get(id) ?? foldLog(eventsOf(id), nowMs, timeZone);
    logs.set(id, known);
    return { log: known, usualBow: usualBowOf(id, all) };
  };
  const own = bowsFor(instrument.id, all);
  const inHand = bowInHand(bowedAt(instrument.id));
  const ordered = [...own.filter(({ id }) => id === inHand), ...own.filter(({ id }) => id !== inHand)];
  return ordered.map((bow) => ({
    bow,
    log: bowLog(bow.id, bow.instrumentIds.map(bowedAt) as [Bowed, ...Bowed[]]),
    said: saidOf(bow, instruments),
  }));
}

/**
 * One instrument of a household, judged from its log, its bows', the household's settings and the air, at a moment.
 * The one entry for app and server.
 */
export function assessInstrument<I extends OwnInstrument>(instrument: I, question: Question<I>): Assessment<I> {
  return judged(instrument, question, groundOf(instrument, question), question.elsewhere);
}

type Ground = Basis & { log: InstrumentLog };

/** What an instrument is judged from, as far as it is its own. */
function groundOf<I extends OwnInstrument>(instrument: I, question: Question<I>): Ground {
  const { timeZone, schools, places, occasions, nowMs, eventsOf, people = [] } = question;
  const log = foldLog(eventsOf(instrument.id), nowMs, timeZone);
  const players = playersOf(instrument.id, people);
  const shares = playShares(
    log,
    players.map(({ id }) => id),
  );
  const sides = schoolsFor(instrument.family, { ...schools, ...agreedSchools(players) }, instrument.schools);
  return {
    log,
    schools: sides,
    observedFrom: Date.parse(instrument.addedAt),
    air: instrumentAir(instrument, sides.air, log, places),
    away: [...daysAway(occasions, instrument.id, log), ...staysAway(log)],
    bows: playedBows(instrument, log, question),
    hands: handsOn(instrument.stringing.sweat, players, shares),
  };
}

function judged<I extends OwnInstrument>(
  instrument: I,
  { instruments, people = [] }: Pick<Question<I>, 'instruments' | 'people'>,
  { log, ...basis }: Ground,
  elsewhere: KnownElsewhere | undefined,
): Assessment<I> {
  const learned = kinOf(instrument, instruments, people).flatMap((id) => elsewhere?.get(id) ?? []);
  const ids = new Set(playersOf(instrument.id, people).map(({ id }) => id));
  return assess(instrument, log, {
    ...basis,
    livesElsewhere: learned.flatMap(({ lives }) => (lives.length > 0 ? [lives] : [])),
    pacesElsewhere: learned.flatMap(({ pace }) => (pace && partOfPace(pace, ids)) ?? []),
  });
}

/** What comes due of an instrument, and of the bows that are at home with it. */
export function dueOfInstrument(assessment: Assessment<OwnInstrument>): DueItem[] {
  const { facts, threads, bows } = assessment;
  const own = threads.filter(({ part }) => !isOnBow(part));
  const awayUntil = inWorkshopUntil(assessment.log);
  const items = [
    ...dueItems(facts.id, null, own, assessment),
    ...bows.flatMap(({ bow, threads: onBow, log, pace }) =>
      bow.instrumentIds[0] === facts.id
        ? dueItems(facts.id, bow.id === facts.id ? null : bow.id, onBow, { ...assessment, log, pace })
        : [],
    ),
  ];
  return awayUntil === null ? items : items.map((item) => ({ ...item, awayUntil }));
}

/** The year of a household from the assessments of all its instruments and what stands on its cards. */
export function assessYear(
  assessments: readonly Assessment<OwnInstrument>[],
  appointments: readonly Appointment[],
  occasions: readonly Occasion[],
  nowMs: number,
  timeZone: string,
): YearPlan {
  return yearPlan(assessments.flatMap(dueOfInstrument), appointments, occasions, nowMs, timeZone);
}

/** A whole household: every instrument, and its year. */
export function assessHousehold<I extends OwnInstrument>(
  question: HouseholdQuestion<I>,
): { assessments: Assessment<I>[]; year: YearPlan } {
  return together(
    question,
    question.instruments.map((instrument) => groundOf(instrument, question)),
  );
}

/**
 * A whole household as `assessHousehold` judges it, one instrument's log at a time: the entries of only one are held, and of the others
 * what they were folded to.
 * @param logsOf reads the logs of some instruments: of one, and those it shares a bow with
 */
export async function assessLargeHousehold<I extends OwnInstrument>(
  question: Omit<HouseholdQuestion<I>, 'eventsOf'>,
  logsOf: (instrumentIds: readonly string[]) => Promise<ReadonlyMap<string, readonly LogEvent[]>>,
): Promise<{ assessments: Assessment<I>[]; year: YearPlan }> {
  const { instruments, bows } = question;
  const grounds: Ground[] = [];
  for (const instrument of instruments) {
    const logs = await logsOf([instrument.id, ...sharersOf(instrument.id, instruments, bows)]);
    grounds.push(groundOf(instrument, { ...question, eventsOf: (id) => logs.get(id) ?? [] }));
  }
  return together(question, grounds);
}

/** The judgements of instruments of one household, and its year. */
function together<I extends OwnInstrument>(
  question: Omit<HouseholdQuestion<I>, 'eventsOf'>,
  grounds: readonly Ground[],
): { assessments: Assessment<I>[]; year: YearPlan } {
  const { instruments, appointments, occasions, people, nowMs, timeZone } = question;
  const alone = instruments.map((instrument, at) => judged(instrument, question, grounds[at]!, undefined));
  const learned = new Map(alone.map((each) => [each.facts.id, learnedFrom(each, people)]));
  // How much is played elsewhere tells nothing where somebody said how much is played here.
  const tells = ({ lives, pace }: Learned, { setUp }: I) => lives.length > 0 || (pace !== null && setUp.habit === null);
  // Those of whose player something was learned elsewhere are judged with it.
  const assessments = alone.map((each, at) =>
    kinOf(each.facts, instruments, people).some((id) => tells(learned.get(id)!, each.facts))
      ? judged(each.facts, question, grounds[at]!, learned)
      : each,
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
