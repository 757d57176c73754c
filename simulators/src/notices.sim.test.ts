import {
  assessHousehold,
  byInstrument,
  concernKey,
  concernsFor,
  concernsOf,
  DAY_MS,
  decide,
  HOUR_MS,
  isUrgent,
  NOTICE_DATA,
  sentBy,
  stillTold,
  USUAL_TIMES,
  type AirHour,
  type Appointment,
  type KnownConcern,
  type KnownPlaces,
  type Occasion,
  type Person,
  type SaidBow,
  type Sent,
} from '@tembrin/core';
import { demoLibrary } from '.';

const NOW = Date.parse('2026-11-24T09:30:00.000Z');
const ZONE = 'Europe/Lisbon';
const library = demoLibrary(NOW, ZONE);
const logs = byInstrument(library.events);
const factsOf = <T>(kind: string) => library.cards.flatMap((card) => (card.kind === kind ? [card.facts as T] : []));
const named = (name: string) => library.instruments.find((each) => each.name === name)!;
/** Those that its people play. */
const instruments = ['Heron', 'Wren', 'Curlew'].map(named);
/** A concert every ten weeks. */
const concerts: Occasion = {
  title: 'Quay concert',
  kind: 'performance',
  instrumentId: named('Heron').id,
  spans: [3, 13, 23, 33, 43]
    .map((week) => {
      const date = new Date(NOW - week * 7 * DAY_MS).toISOString().slice(0, 10);
      return { from: date, to: date };
    })
    .reverse(),
  source: null,
};
const occasions = [...factsOf<Occasion>('occasion'), concerts];
const bows = library.cards.flatMap((card) =>
  card.kind === 'bow' ? [{ ...(card.facts as Omit<SaidBow, 'id'>), id: card.id }] : [],
);

/** The air of the library's places as it was read until a moment, as hours. */
const read = library.air.places.map((place) => {
  const { readings } = library.air.sensors.find(({ placeId }) => placeId === place.id)!;
  const hours = readings.map(({ atS, rhHundredths, tempHundredths }): AirHour => {
    const rh = rhHundredths / 10_000;
    return { at: atS * 1000, rh, low: rh, high: rh, tempC: tempHundredths === null ? null : tempHundredths / 100 };
  });
  return { place, hours };
});
function placesAt(atMs: number): KnownPlaces {
  return new Map(
    read.map(({ place, hours }) => {
      const known = hours.filter(({ at }) => at <= atMs && at > atMs - 60 * DAY_MS);
      const record = { days: [], hours: known };
      return [place.id, { place, record, steady: null, latest: known.at(-1) ?? null, habit: null, ahead: [] }];
    }),
  );
}

/** Everything there was to tell at a moment. */
function concernsAt(atMs: number): KnownConcern[] {
  const { assessments } = assessHousehold({
    timeZone: ZONE,
    schools: library.schools,
    instruments,
    eventsOf: (id) => logs.get(id) ?? [],
    places: placesAt(atMs),
    appointments: [] as Appointment[],
    occasions,
    bows,
    nowMs: atMs,
  });
  return concernsOf({ assessments, appointments: [], occasions, loans: [], nowMs: atMs, timeZone: ZONE });
}

/** What one person was told in a year: each message, and each concern that was to be told and how long it lasted. */
function listener(person: Person, everybody: readonly Person[]) {
  let sent: Sent[] = [];
  const messages: { at: number; keys: string[]; digest: boolean }[] = [];
  const stood: { key: string; first: number; last: number; urgent: boolean; told: number | null }[] = [];
  return {
    person,
    messages,
    stood,
    look(all: readonly KnownConcern[], atMs: number) {
      const own = concernsFor(person, all, everybody);
      sent = stillTold(sent, own, atMs);
      const decision = decide(own, { ...USUAL_TIMES, timeZone: ZONE }, sent, atMs);
      for (const each of own) {
        const key = concernKey(each);
        const known = stood.findLast((one) => one.key === key);
        if (known && atMs - known.last <= NOTICE_DATA[each.kind].overDays * DAY_MS) known.last = atMs;
        else stood.push({ key, first: atMs, last: atMs, urgent: isUrgent(each), told: null });
      }
      for (const [digest, told] of [
        [false, decision.alert],
        [true, decision.digest],
      ] as const) {
        if (told.length === 0) continue;
        messages.push({ at: atMs, keys: told.map(concernKey), digest });
        for (const each of told) stood.findLast(({ key }) => key === concernKey(each))!.told ??= atMs;
      }
      sent.push(...sentBy(decision, atMs));
    },
  };
}

const YEAR = 365;
const WEEKS = YEAR / 7;
/** Told no later than at the second look after it came up, which is once a day in the morning; what waits, with the second digest. */
const ALERT_MS = 2 * DAY_MS;
const DIGEST_MS = 14 * DAY_MS;
const morning = (daysAgo: number) => Math.floor(NOW / DAY_MS) * DAY_MS - daysAgo * DAY_MS + 9 * HOUR_MS;

describe('a year of the library, looked at every morning', () => {
  const listeners = library.people.map((person) => listener(person, library.people));
  beforeAll(() => {
    for (let day = YEAR; day > 0; day--) {
      const all = concernsAt(morning(day));
      for (const each of listeners) each.look(all, morning(day));
    }
  }, 180_000);

  test.each(listeners.map((each) => [each.person.name, each] as const))(
    '%s is told now and then, of more than one thing, and at most 1.2 times a week for each instrument',
    (_name, { person, messages }) => {
      const own = person.role === 'keeper' ? 1 : new Set([...person.plays, ...person.looksAfter]).size;
      expect(messages.length / WEEKS).toBeLessThanOrEqual(1.2 * own);
      expect(messages.length).toBeGreaterThan(5);
      expect(new Set(messages.flatMap(({ keys }) => keys.map((key) => key.split(' ')[0]))).size).toBeGreaterThan(1);
    },
  );

  test('whoever plays one instrument gets at most 1.2 messages a week [the aim], about one in two weeks in fact', () => {
    const pip = listeners.find(({ person }) => person.name === 'Pip')!;
    expect(pip.messages.length / WEEKS).toBeLessThanOrEqual(0.6);
  });

  test('everything that went wrong and lasted was told in time', () => {
    const all = listeners.flatMap(({ stood }) => stood);
    const late = all.filter(({ first, last, told, urgent }) => {
      const most = urgent ? ALERT_MS : DIGEST_MS;
      return told === null ? last - first >= most : told - first > most;
    });
    expect(late).toEqual([]);
    expect(all.filter(({ told }) => told !== null).length / all.length).toBeGreaterThan(0.9);
  });

  test('nothing is told twice on one morning, and no morning has more than a digest and one other', () => {
    for (const { messages } of listeners) {
      for (const { at } of messages) {
        const day = messages.filter((message) => message.at === at);
        expect(day.length).toBeLessThanOrEqual(2);
        const keys = day.flatMap((message) => message.keys);
        expect(new Set(keys).size).toBe(keys.length);
      }
    }
  });
});
