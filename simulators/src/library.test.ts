import {
  assessHousehold,
  byInstrument,
  byUrgency,
  closingRound,
  assess,
  FAMILIES,
  foldLog,
  localDay,
  refusalOf,
  roundRecords,
  schoolsFor,
  oftenMissed,
  type LogEvent,
  type ThreadState,
} from '@tembrin/core';
import { demoLibrary } from '.';

const NOW = Date.parse('2026-11-24T09:30:00.000Z');
const ZONE = 'Europe/Lisbon';
const library = demoLibrary(NOW, ZONE);
const eventsOf = (id: string) => library.events.filter(({ instrumentId }) => instrumentId === id);

test('the same moment, place and seed give the same library; another seed another', () => {
  expect(demoLibrary(NOW, ZONE)).toEqual(library);
  expect(demoLibrary(NOW, ZONE, 0.7).events).not.toEqual(library.events);
});

test('all six families, a half-size and a spare that is hardly played', () => {
  expect(new Set(library.instruments.map(({ family }) => family))).toEqual(new Set(FAMILIES));
  expect(library.instruments.some(({ size }) => size === '1/2')).toBe(true);
  const sessions = library.instruments.map(({ id }) => foldLog(eventsOf(id), NOW, ZONE).sessions.length);
  expect(Math.min(...sessions)).toBeLessThan(12);
  expect(Math.max(...sessions)).toBeGreaterThan(300);
});

test('it reaches back a year and a half and not past now', () => {
  const times = library.events.map(({ occurredAt }) => Date.parse(occurredAt));
  expect(Math.max(...times)).toBeLessThanOrEqual(NOW);
  expect((NOW - Math.min(...times)) / 86_400_000).toBeGreaterThan(500);
});

test('ids are unique', () => {
  expect(new Set(library.events.map(({ id }) => id)).size).toBe(library.events.length);
});

test('a player could have made every event: each is admitted in its turn', () => {
  for (const instrument of library.instruments) {
    const events = eventsOf(instrument.id);
    const known: LogEvent[] = [];
    const ids = new Set<string>();
    const step = Math.max(1, Math.floor(events.length / 400));
    for (const [at, event] of events.entries()) {
      if (at % step === 0) {
        const context = {
          facts: instrument,
          events: known.slice(-60),
          hasPlace: () => true,
          hasBow: () => true,
          has: (id: string) => ids.has(id),
          nowMs: Date.parse(event.occurredAt),
          timeZone: ZONE,
        };
        expect([event.type, refusalOf(event, context)]).toEqual([event.type, null]);
      }
      known.push(event);
      ids.add(event.id);
    }
  }
});

test('whenever it is opened there are reasons to act and things in good order', () => {
  for (const moment of [NOW, Date.parse('2027-03-02T21:00:00.000Z'), Date.parse('2027-08-15T06:00:00.000Z')]) {
    const fresh = demoLibrary(moment, ZONE);
    const states: ThreadState[] = fresh.instruments.flatMap((instrument) => {
      const events = fresh.events.filter(({ instrumentId }) => instrumentId === instrument.id);
      const { threads } = assess(instrument, foldLog(events, moment, ZONE), {
        schools: schoolsFor(instrument.family, fresh.schools, instrument.schools),
        observedFrom: Date.parse(instrument.addedAt),
      });
      return byUrgency(threads).map(({ state }) => state);
    });
    for (const [name, part] of [
      ['Heron', 'rosin'],
      ['Wren', 'residue'],
    ] as const) {
      const instrument = fresh.instruments.find((each) => each.name === name)!;
      const log = foldLog(
        fresh.events.filter(({ instrumentId }) => instrumentId === instrument.id),
        moment,
        ZONE,
      );
      const { threads } = assess(instrument, log, {
        schools: schoolsFor(instrument.family, fresh.schools, instrument.schools),
        observedFrom: Date.parse(instrument.addedAt),
      });
      expect(['now', 'soon']).toContain(threads.find((thread) => thread.part === part)!.state);
    }
    for (const state of ['now', 'soon', 'well'] as const) {
      expect(states.filter((each) => each === state).length).toBeGreaterThan(3);
    }
  }
});

test('it opens on a calm evening: one thing now, two soon; and no day with a crowd of checkups', () => {
  for (const moment of [NOW, Date.parse('2027-03-02T21:00:00.000Z'), Date.parse('2027-08-15T18:00:00.000Z')]) {
    const fresh = demoLibrary(moment, ZONE);
    const logs = byInstrument(fresh.events);
    const { assessments, year } = assessHousehold({
      timeZone: ZONE,
      schools: fresh.schools,
      instruments: fresh.instruments,
      eventsOf: (id) => logs.get(id) ?? [],
      places: new Map(),
      appointments: [],
      bows: fresh.cards.flatMap((card) => (card.kind === 'bow' ? [{ id: card.id, ...card.facts }] : [])),
      occasions: fresh.cards.flatMap((card) => (card.kind === 'occasion' ? [card.facts] : [])),
      nowMs: moment,
    });
    const states = assessments[0]!.threads.map(({ state }) => state);
    const count = (wanted: ThreadState) => states.filter((state) => state === wanted).length;
    expect([count('now'), count('soon'), count('unknown')]).toEqual([1, 2, 0]);
    const checkups = year.items.filter(({ part }) => part === 'checkup').map(({ day }) => day);
    for (const day of new Set(checkups)) expect(checkups.filter((each) => each === day).length).toBeLessThan(5);
    expect(checkups.filter((day) => day <= localDay(moment, ZONE)).length).toBeLessThan(3);
    // The library as a whole has its reasons to act.
    expect(year.items.filter(({ day }) => day <= localDay(moment, ZONE)).length).toBeGreaterThan(2);
  }
});

test('the child’s bow was left tight', () => {
  const wren = library.instruments.find(({ name }) => name === 'Wren')!;
  const log = foldLog(eventsOf(wren.id), NOW, ZONE);
  const { tension } = assess(wren, log, {
    schools: schoolsFor('violin', library.schools, wren.schools),
    observedFrom: Date.parse(wren.addedAt),
  });
  expect(tension!.tightSince).toBe(log.sessions.at(-1)!.endedAt);
});

test('the child’s rest grows, drills have been done, and what is missed again and again shows', () => {
  const wren = library.instruments.find(({ name }) => name === 'Wren')!;
  expect(wren.setUp.player).toBe('child');
  const log = foldLog(eventsOf(wren.id), NOW, ZONE);
  const heights = log.measures.filter(({ figure }) => figure === 'rest-left').map(({ value }) => value);
  expect(heights.length).toBeGreaterThan(3);
  expect([...heights].sort((a, b) => a - b)).toEqual(heights);
  expect(log.drills.length).toBeGreaterThan(2);
  expect([...oftenMissed(log)]).toContain('wipe-rosin');
});

test('every round of the library was answered to its end, whatever was due that evening', () => {
  for (const moment of [NOW, Date.parse('2027-03-02T21:00:00.000Z'), Date.parse('2027-08-15T06:00:00.000Z')]) {
    const fresh = demoLibrary(moment, ZONE);
    for (const facts of fresh.instruments) {
      const log = foldLog(
        fresh.events.filter(({ instrumentId }) => instrumentId === facts.id),
        moment,
        ZONE,
      );
      const schools = schoolsFor(facts.family, fresh.schools, facts.schools);
      const assessed = assess(facts, log, { schools, observedFrom: Date.parse(facts.addedAt) });
      const session = log.sessions.at(-1)!;
      const records = roundRecords(log, session);
      const left = closingRound(assessed, session.endedAt!)
        .map(({ step }) => step)
        // The fretboard waits for the strings to be changed.
        .filter((step) => step !== 'fretboard' && !records.has(step));
      expect([facts.name, left]).toEqual([facts.name, []]);
    }
  }
});
