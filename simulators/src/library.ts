import {
  CLOSING_STEPS,
  DAY_MS,
  isBowed,
  HOUR_MS,
  localDay,
  LOOK_DATA,
  logEventSchema,
  MINUTE_MS,
  openStrings,
  presetsFor,
  schoolsFor,
  startOfLocalDay,
  stepsFor,
  usualFacts,
  weekdayOf,
  type EventOf,
  type EventType,
  type InstrumentFacts,
  type LogEvent,
  type SchoolChoices,
  type StepId,
} from '@tembrin/core';
import { chanceFrom, type Chance } from './chance';
import { libraryAir, type DemoAir } from './library-air';
import { CONTACTS, libraryCards, type DemoCard } from './library-cards';
import { SHELF, type Habit } from './library-instruments';
import { libraryPeople, type DemoPerson } from './library-people';

export interface DemoInstrument extends InstrumentFacts {
  id: string;
  name: string;
  /** ISO time since when the library has recorded it. */
  addedAt: string;
}

export interface DemoLibrary {
  name: string;
  /** Where the library itself has taken a side. */
  schools: SchoolChoices;
  instruments: DemoInstrument[];
  /** In order of time within each instrument. */
  events: LogEvent[];
  air: DemoAir;
  cards: DemoCard[];
  people: DemoPerson[];
  currency: string;
}

/** What the library pays in. */
const CURRENCY = 'EUR';
/** The library's record goes back a year and a half. */
const RECORD_DAYS = 548;
/** In the last days only what is meant to be noticed was left undone. */
const RECENT_DAYS = 3;

/**
 * A lending library of string instruments with a year and a half of history up to now, with reasons to act today.
 * Made of the same events a player makes; the same moment, place and seed give the same library.
 * @param nowMs the moment it is opened, ms; nothing is dated later
 * @param timeZone IANA name of the place whose evenings it was played in
 */
export function demoLibrary(nowMs: number, timeZone: string, seed = 0.4142): DemoLibrary {
  const chance = chanceFrom(seed);
  const air = libraryAir(nowMs, timeZone, chance);
  const made = SHELF.map((habit, place) => instrumentHistory(habit, place, nowMs, timeZone, chance, air));
  return {
    name: 'Quayside String Library',
    schools: { checkup: 'A' },
    instruments: made.map(({ instrument }) => instrument),
    events: made.flatMap(({ events }) => events),
    air,
    cards: [
      ...libraryCards(
        made.map(({ instrument }) => instrument),
        nowMs,
        timeZone,
        chanceFrom(seed / 3),
      ),
      ...made.flatMap(({ bows }) => bows),
      ...contactCards(nowMs, chanceFrom(seed / 7)),
    ],
    people: libraryPeople(
      made.map(({ instrument }) => instrument),
      nowMs,
      chanceFrom(seed / 11),
    ),
    currency: CURRENCY,
  };
}

const contactCards = (nowMs: number, dice: Chance): DemoCard[] =>
  CONTACTS.map((facts) => ({ id: dice.id(nowMs), kind: 'contact', facts }));

/** What an instrument of this habit is. */
function factsOf(habit: Habit): InstrumentFacts {
  const usual = usualFacts(habit.family, habit.kind);
  return {
    ...usual,
    size: habit.size ?? usual.size,
    setUp: { ...usual.setUp, ...habit.setUp },
    stringing: { ...usual.stringing, sweat: habit.sweat ?? usual.stringing.sweat },
    schools: habit.schools ?? {},
  };
}

interface History {
  habit: Habit;
  facts: InstrumentFacts;
  today: number;
  /** An hour of a day where the library is, ms. */
  at: (day: number, hour: number) => number;
  add: <T extends EventType>(type: T, atMs: number, payload: EventOf<T>['payload'], dice?: Chance) => string;
}

function instrumentHistory(
  habit: Habit,
  place: number,
  nowMs: number,
  timeZone: string,
  chance: Chance,
  { places }: DemoAir,
) {
  const today = localDay(nowMs, timeZone);
  const at = (day: number, hour: number) => startOfLocalDay(day, timeZone) + hour * HOUR_MS;
  const facts = factsOf(habit);
  // Entered one after another, in the order of the shelf.
  const addedAt = at(today - RECORD_DAYS, 9) + place * MINUTE_MS;
  const instrument: DemoInstrument = {
    id: chance.id(addedAt),
    name: habit.name,
    addedAt: new Date(addedAt).toISOString(),
    ...facts,
  };
  const events: LogEvent[] = [];
  const add: History['add'] = (type, atMs, payload, dice = chance) => {
    const id = dice.id(atMs);
    const time = new Date(Math.round(atMs)).toISOString();
    events.push(
      logEventSchema.parse({ id, instrumentId: instrument.id, type, occurredAt: time, recordedAt: time, payload }),
    );
    return id;
  };
  const history: History = { habit, facts, today, at, add };
  add('moved', addedAt + MINUTE_MS, {
    placeId: places.find(({ room }) => room === habit.lives.in)!.id,
    cased: habit.lives.cased,
  });
  recordStrings(history);
  // Dice of their own, so that what came before falls as it did.
  const dice = chanceFrom(0.1 + place / 100);
  const fittedAt = at(today - (habit.stringsFitted.at(-1)?.daysAgo ?? 0), FITTED_HOUR);
  for (const [hoursOn, string, cents] of habit.tuned ?? []) {
    add('tuned', fittedAt + hoursOn * HOUR_MS, { string, cents }, dice);
  }
  recordUpkeep(history);
  recordLooks(history, chanceFrom(0.3 + place / 100));
  const bows = spareBowOf(history, instrument.id, dice);
  recordWork(history, dice);
  recordPlaying(history, chance);
  return { instrument, bows, events: events.sort((a, b) => (a.occurredAt < b.occurredAt ? -1 : 1)) };
}

/** Strings go on at this hour of the day. */
const FITTED_HOUR = 14;

function recordStrings({ habit, facts, today, at, add }: History): void {
  const set = presetsFor(facts, openStrings(facts)).find(({ id }) => id === habit.set)?.strings ?? null;
  for (const { daysAgo, grams, kind } of habit.weighed ?? []) {
    add('humidifier-weighed', at(today - daysAgo, 10), { kind, grams });
  }
  for (const { daysAgo, strings, reason, known } of habit.stringsFitted) {
    add('strings-fitted', at(today - daysAgo, FITTED_HOUR), {
      strings: strings ? [...strings] : null,
      reason,
      known: known ?? true,
      ...(set && { specs: strings ? strings.map((position) => set[position]!) : [...set] }),
    });
  }
}

function recordUpkeep({ habit, today, at, add }: History): void {
  for (const { daysAgo, known } of habit.rehaired ?? []) {
    add('rehaired', at(today - daysAgo, 12), { reason: 'on-record', known: known ?? true });
  }
  for (const daysAgo of habit.hairLooked ?? []) add('hair-looked-over', at(today - daysAgo, 12), {});
  for (const daysAgo of habit.checkedUp) add('checked-up', at(today - daysAgo, 11), { known: true });
  for (const daysAgo of habit.regulated ?? []) add('regulated', at(today - daysAgo, 11), { known: true });
  for (const { daysAgo, ...measure } of habit.measured ?? []) add('measured', at(today - daysAgo, 13), measure);
  for (const { daysAgo, missed, ...drill } of habit.drills ?? [])
    add('drill-done', at(today - daysAgo, 15), { ...drill, missed: [...missed] });
}

/** Look-overs, each thing in its turn. */
function recordLooks({ habit, today, at, add }: History, dice: Chance): void {
  for (const { daysAgo, extent, by, minutes, saw } of habit.lookedOver ?? []) {
    const beganAt = at(today - daysAgo, 10);
    const endedAt = beganAt + minutes * MINUTE_MS;
    const overId = add('look-over-began', beganAt, { extent, by }, dice);
    saw.forEach(({ look, verdict, figures = [], note = '', mended }, index) => {
      const lookedAt = beganAt + ((index + 1) * minutes * MINUTE_MS) / (saw.length + 1);
      const where = { zone: LOOK_DATA[look].zone, point: null, string: null };
      const findingId = add(
        'looked-at',
        lookedAt,
        { look, verdict, overId, by, ...where, figures: [...figures], note },
        dice,
      );
      if (mended !== undefined) add('finding-settled', at(today - mended, 12), { findingId, how: 'mended' }, dice);
    });
    add('look-over-ended', endedAt, { overId }, dice);
  }
}

/** What the workshop did, and what it cost. */
function recordWork({ habit, today, at, add }: History, dice: Chance): void {
  for (const { daysAgo, words, part, amount } of habit.worked ?? []) {
    const cost = { amount, currency: CURRENCY };
    add('worked-on', at(today - daysAgo, 12), { by: 'workshop', words, part, cost, visitId: null }, dice);
  }
}

/** A second bow, with what was done to it. */
function spareBowOf({ habit, today, at, add }: History, instrumentId: string, dice: Chance): DemoCard[] {
  if (!habit.spareBow) return [];
  const { title, rehaired, looked } = habit.spareBow;
  const bowId = dice.id(at(today - rehaired, 12));
  add('rehaired', at(today - rehaired, 12), { reason: 'on-record', known: true, bowId }, dice);
  add('hair-looked-over', at(today - looked, 12), { bowId }, dice);
  const facts = { title, ownOf: null, instrumentIds: [instrumentId], use: 'seldom', gone: false } as const;
  return [{ id: bowId, kind: 'bow', facts: { ...facts, instrumentIds: [instrumentId] } }];
}

/** Sessions with their rosin before and their closing round after. */
function recordPlaying({ habit, facts, today, at, add }: History, chance: Chance): void {
  const steps = stepsFor(CLOSING_STEPS, facts, schoolsFor(facts.family, {}, facts.schools));
  const days = playingDays(habit, today - RECORD_DAYS, today, chance);
  const lastDone = new Map<StepId, number>();
  let firstAt = Infinity;
  let sinceRosin = habit.rosinEvery ?? 0;
  for (const day of days) {
    const daysAgo = today - day;
    const beganAt = at(day, habit.hour + chance.normal(0, 0.7));
    const minutes = Math.min(240, Math.max(4, chance.about(habit.minutes, habit.spread)));
    if (habit.rosinEvery && isBowed(habit.family)) {
      const due = sinceRosin >= habit.rosinEvery * chance.about(1, 0.12);
      if (due && daysAgo > (habit.rosinForgotten ?? 0)) {
        add('rosined', beganAt - 3 * MINUTE_MS, {});
        sinceRosin = 0;
      }
      sinceRosin += minutes;
    }
    const sessionId = add('session-began', beganAt, {});
    const endedAt = beganAt + minutes * MINUTE_MS;
    add('session-ended', endedAt, { sessionId });
    firstAt = Math.min(firstAt, beganAt);
    let stepAt = endedAt;
    for (const { id: step, due } of steps) {
      if (due?.withStrings) continue;
      if (due && endedAt - (lastDone.get(step) ?? firstAt) < due.everyDays * DAY_MS) continue;
      stepAt += chance.between(5, 40) * 1000;
      const left = habit.leftTight && day === days.at(-1) && step === 'slacken';
      const neglected = daysAgo <= (habit.neglected?.[step] ?? 0);
      const careless = daysAgo > RECENT_DAYS && chance.happens(habit.skips[step] ?? 0.01);
      const skipped = left || neglected || careless;
      add(skipped ? 'step-skipped' : 'step-done', stepAt, { step, sessionId });
      if (!skipped) lastDone.set(step, stepAt);
    }
  }
}

/** Days on which it was played: by weekday, with three weeks' holiday each summer and yesterday always, if it is played at all. */
function playingDays(habit: Habit, firstDay: number, today: number, chance: Chance): number[] {
  const days: number[] = [];
  const played = Math.max(...habit.plays) > 0.1;
  for (let day = firstDay; day < today; day++) {
    const month = new Date(day * DAY_MS).getUTCMonth();
    const dayOfMonth = new Date(day * DAY_MS).getUTCDate();
    const holiday = month === 7 && dayOfMonth <= 21;
    const likely = habit.plays[weekdayOf(day)]! * (holiday ? 0.1 : 1);
    if (chance.happens(likely) || (day === today - 1 && played)) days.push(day);
  }
  return days;
}
