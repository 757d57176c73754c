import fc from 'fast-check';
import {
  assess,
  assessHousehold,
  assessLargeHousehold,
  dueOfInstrument,
  type HouseholdQuestion,
  type OwnInstrument,
} from '../assess';
import { schoolsFor, usualFacts, type Family } from '../instruments';
import { byTime, foldLog, hoursInAll, type LogEvent } from '../log';
import { subjectOf, threadOf } from '../parts';
import { openingRound } from '../routines';
import { scribe } from '../testing/events';
import { anyLog } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';
import { bowInHand, bowLog, bowsFor, bowsOf, bowTension, isBowKnown, type SaidBow } from '.';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const ago = (days: number) => NOW - days * DAY_MS;
const CELLO = '11111111-1111-4111-8111-111111111111';
const OTHER = '22222222-2222-4222-8222-222222222222';
const GUITAR = '33333333-3333-4333-8333-333333333333';
const LIGHT = '44444444-4444-4444-8444-444444444444';

const instrument = (id: string, family: Family = 'cello'): OwnInstrument => ({
  ...usualFacts(family),
  id,
  addedAt: new Date(ago(300)).toISOString(),
});
const cello = instrument(CELLO);
const light = (more: Partial<SaidBow> = {}): SaidBow => ({
  id: LIGHT,
  title: 'The light bow',
  ownOf: null,
  instrumentIds: [CELLO],
  use: 'seldom',
  gone: false,
  ...more,
});

/** A household of cellos, by events that say which instrument they are of. */
function questionOf(events: readonly LogEvent[], bows: readonly SaidBow[], instruments = [cello]) {
  const question: HouseholdQuestion<OwnInstrument> = {
    timeZone: 'UTC',
    schools: {},
    instruments,
    eventsOf: (id) => events.filter(({ instrumentId }) => instrumentId === id),
    places: new Map(),
    appointments: [],
    occasions: [],
    bows,
    nowMs: NOW,
  };
  return question;
}
const judged = (...asked: Parameters<typeof questionOf>) => assessHousehold(questionOf(...asked));

describe('the bows of a household', () => {
  test('every bowed instrument came with one; others are said', () => {
    const all = bowsOf([cello, instrument(GUITAR, 'guitar')], []);
    expect(all).toEqual([{ id: CELLO, title: null, instrumentIds: [CELLO], use: 'often' }]);
    const two = bowsOf([cello, instrument(OTHER)], [light({ instrumentIds: [OTHER, CELLO, GUITAR] })]);
    expect(two.map(({ id }) => id)).toEqual([CELLO, OTHER, LIGHT]);
    // What it is not played on is no instrument of the household, or has no bow.
    expect(two[2]!.instrumentIds).toEqual([OTHER, CELLO]);
    expect(bowsFor(CELLO, two).map(({ id }) => id)).toEqual([CELLO, LIGHT]);
  });

  test('the one an instrument came with keeps its id when it is named, shared or gone', () => {
    const said = light({ ownOf: CELLO, title: 'Silver mounted', instrumentIds: [OTHER, CELLO], use: 'often' });
    const [own] = bowsOf([cello, instrument(OTHER)], [said]);
    expect(own).toEqual({ id: CELLO, title: 'Silver mounted', instrumentIds: [CELLO, OTHER], use: 'often' });
    expect(bowsOf([cello], [{ ...said, gone: true }])).toEqual([]);
    expect(
      [CELLO, LIGHT, GUITAR].map((id) => isBowKnown(id, [cello, instrument(GUITAR, 'guitar')], [light()])),
    ).toEqual([true, true, false]);
    // The instrument is gone, its bow goes on with another.
    expect(bowsOf([instrument(OTHER)], [said]).map(({ id }) => id)).toEqual([OTHER, CELLO]);
  });
});

describe('what was played with a bow', () => {
  const { event, session } = scribe(CELLO);

  test('counts as much where the logs are read one instrument at a time, those that share a bow together', async () => {
    const other = instrument(OTHER);
    const events = [
      ...session(ago(9), 2),
      ...scribe(OTHER).session(ago(5), 3),
      event('rehaired', ago(200), { reason: 'worn', known: true }),
    ];
    const { eventsOf, ...question } = questionOf(
      events,
      [light({ instrumentIds: [CELLO, OTHER] })],
      [cello, other, instrument(GUITAR, 'guitar')],
    );
    const read: (readonly string[])[] = [];
    const large = await assessLargeHousehold(question, async (ids) => {
      read.push(ids);
      return Promise.resolve(new Map(ids.map((id) => [id, eventsOf(id)])));
    });
    expect(large).toEqual(assessHousehold({ ...question, eventsOf }));
    expect(read).toEqual([[CELLO, OTHER], [OTHER, CELLO], [GUITAR]]);
  });

  test('is the instrument’s own log where it has no other', () => {
    fc.assert(
      fc.property(anyLog, (events) => {
        const log = foldLog(events, NOW, 'UTC');
        expect(bowLog(CELLO, [{ log, usualBow: CELLO }])).toBe(log);
      }),
      { numRuns: 50 },
    );
  });

  test('every hour is one bow’s, whenever they are changed', () => {
    const takes = fc.uniqueArray(
      fc.record({ daysAgo: fc.integer({ min: 0, max: 400 }).map((tenths) => tenths / 10), own: fc.boolean() }),
      {
        maxLength: 6,
        selector: ({ daysAgo }) => daysAgo,
      },
    );
    const evenings = fc.uniqueArray(fc.integer({ min: 1, max: 39 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(evenings, takes, (days, taken) => {
        const events = [
          ...days.flatMap((day) => session(ago(day), 1.5)),
          ...taken.map(({ daysAgo, own }) => event('bow-taken', ago(daysAgo), { bowId: own ? CELLO : LIGHT })),
        ];
        const bowed = { log: foldLog(events, NOW, 'UTC'), usualBow: CELLO };
        const hours = [CELLO, LIGHT].map((id) => hoursInAll(bowLog(id, [bowed])));
        expect(hours[0]! + hours[1]!).toBeCloseTo(hoursInAll(bowed.log), 9);
        const last = [...taken].sort((a, b) => b.daysAgo - a.daysAgo).at(-1);
        expect(bowInHand(bowed)).toBe(!last || last.own ? CELLO : LIGHT);
      }),
      { numRuns: 100 },
    );
  });

  test('is shared out where they were changed in mid-session, and the one put away is slack', () => {
    const began = event('session-began', ago(1), {});
    const events = [
      began,
      event('bow-taken', ago(1) + HOUR_MS, { bowId: LIGHT }),
      event('session-ended', ago(1) + 3 * HOUR_MS, { sessionId: began.id }),
      event('rosined', ago(1) + 0.5 * HOUR_MS, {}),
      event('rosined', ago(1) + 1.5 * HOUR_MS, {}),
    ];
    const bowed = { log: foldLog(events, NOW, 'UTC'), usualBow: CELLO };
    const [own, other] = [CELLO, LIGHT].map((id) => bowLog(id, [bowed]));
    expect([hoursInAll(own!), hoursInAll(other!)]).toEqual([1, 2]);
    expect([own!.rosinings.length, other!.rosinings.length]).toEqual([1, 1]);
    expect(bowTension(own!)).toMatchObject({ idleHours: 0, tightSince: null });
    expect(bowTension(other!).tightSince).toBe(ago(1) + 3 * HOUR_MS);
  });

  test('is what was played on all its instruments', () => {
    const mine = scribe(CELLO);
    const theirs = scribe(OTHER);
    const events = [
      ...mine.session(ago(10), 2),
      theirs.event('bow-taken', ago(9), { bowId: CELLO }),
      ...theirs.session(ago(8), 3),
      mine.event('rehaired', ago(60), { reason: 'worn', known: true }),
      theirs.event('rehaired', ago(50), { reason: 'worn', known: true }),
    ];
    const shared = light({ ownOf: CELLO, instrumentIds: [CELLO, OTHER], use: 'often' });
    const { assessments, year } = judged(events, [shared], [cello, instrument(OTHER)]);
    const [first, second] = assessments;
    expect(hoursInAll(first!.bows[0]!.log)).toBeCloseTo(5, 9);
    // In hand on both, it is judged alike on both; and the other's own bow is there, unplayed.
    expect(second!.bows.map(({ bow }) => bow.id)).toEqual([CELLO, OTHER]);
    expect(second!.threads.find(({ part }) => part === 'hair')).toEqual(
      first!.threads.find(({ part }) => part === 'hair'),
    );
    expect(hoursInAll(second!.bows[1]!.log)).toBe(0);
    // A bow comes due once, where it is at home.
    const hair = year.items.filter(({ part }) => part === 'hair');
    expect(hair.map(subjectOf).sort()).toEqual([CELLO, OTHER]);
    expect(hair.every(({ bowId }) => bowId === null)).toBe(true);
  });
});

describe('a cellist with two bows', () => {
  const { event, session } = scribe(CELLO);
  const evenings = Array.from({ length: 60 }, (_, at) => session(ago(at + 1), 1)).flat();
  const hairOf = (days: number, bowId?: string) =>
    event('rehaired', ago(days), { reason: 'on-record', known: true, ...(bowId && { bowId }) });

  test('the spare has its own hair, its own look, its own rosin; what was played with the other wears it not', () => {
    const { assessments, year } = judged([...evenings, hairOf(60), hairOf(60, LIGHT)], [light()]);
    const [own, spare] = assessments[0]!.bows;
    expect([own!.bow.id, spare!.bow.id]).toEqual([CELLO, LIGHT]);
    const wear = (bow: typeof own) => threadOf(bow!.threads, 'hair')!.clock!.wear;
    expect(wear(own)).toBeGreaterThan(2 * wear(spare));
    expect(threadOf(spare!.threads, 'hair')!.clock!.hoursPlayed).toBe(0);
    // Looked at yearly, played or not.
    expect(threadOf(spare!.threads, 'hair-look')).toMatchObject({ since: 'rehaired', from: ago(60) });
    const due = year.items.filter(({ bowId }) => bowId === LIGHT).map(({ part }) => part);
    expect(due.sort()).toEqual(['hair', 'hair-look']);
    expect(dueOfInstrument(assessments[0]!).filter(({ part }) => part === 'strings').length).toBeLessThan(2);
  });

  test('takes the other tonight: rounds and threads are of that one', () => {
    const rosined = event('rosined', ago(0.9), {});
    const events = [...evenings, hairOf(60), hairOf(400, LIGHT), rosined];
    const rosin = (more: LogEvent[]) =>
      threadOf(judged([...events, ...more], [light()]).assessments[0]!.threads, 'rosin')!;
    expect(rosin([])).toMatchObject({ since: 'rosined' });
    const taken = event('bow-taken', ago(0.5), { bowId: LIGHT });
    expect(rosin([taken])).toMatchObject({ since: 'not-known', minutes: 0 });
    const { assessments } = judged([...events, taken], [light()]);
    expect(assessments[0]!.bows[0]!.bow.id).toBe(LIGHT);
    expect(openingRound(assessments[0]!).map(({ step }) => step)).toContain('rosin');
    // And back again.
    const back = event('bow-taken', ago(0.2), { bowId: CELLO });
    expect(rosin([taken, back])).toEqual(rosin([]));
  });
});

test('a household that has said nothing of bows is judged as before there were any', () => {
  fc.assert(
    fc.property(anyLog, (events) => {
      const own = events.map((each) => ({ ...each, instrumentId: CELLO })).sort(byTime);
      const { assessments } = judged(own, []);
      const direct = assess(cello, foldLog(own, NOW, 'UTC'), {
        schools: schoolsFor('cello'),
        observedFrom: Date.parse(cello.addedAt),
      });
      expect(assessments[0]!.threads).toEqual(direct.threads);
      expect(assessments[0]!.pace).toEqual(direct.pace);
    }),
    { numRuns: 40 },
  );
});
