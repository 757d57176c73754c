import { byUrgency, type PartId, type Thread } from '.';
import { assess } from '../assess';
import { TIGHT_COSTS_AT_MOST } from '../bow/index';
import type { Schools } from '../schools/index';
import { FAMILIES, usualFacts, type Family, type InstrumentFacts } from '../instruments/index';
import { foldLog, type LogEvent, type StepId } from '../log/index';
import { DAY_MS, HOUR_MS } from '../time/index';
import { dailySessions, scribe } from '../testing/events';
import { schoolsFor } from '../instruments';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ago = (days: number) => NOW - days * DAY_MS;

/** Sessions under ids of their own, beside those of other events. */
const own = (events: LogEvent[]): LogEvent[] =>
  JSON.parse(JSON.stringify(events).replaceAll('-8000-', '-9000-')) as LogEvent[];

function threadsOf(
  events: readonly LogEvent[],
  facts: InstrumentFacts = usualFacts('violin'),
  schools: Schools = schoolsFor(facts.family),
) {
  const { threads } = assess(facts, foldLog(events, NOW, 'Europe/Lisbon'), { schools, observedFrom: ago(300) });
  return threads;
}
function part<P extends PartId>(threads: readonly Thread[], id: P): Extract<Thread, { part: P }> {
  return threads.find((thread) => thread.part === id) as Extract<Thread, { part: P }>;
}

test('each family has the parts it has', () => {
  const parts = (family: Family) => threadsOf([], usualFacts(family)).map((thread) => thread.part);
  for (const family of FAMILIES) {
    const bowed = family !== 'guitar' && family !== 'harp';
    expect(parts(family)).toEqual(
      bowed ? ['strings', 'hair', 'rosin', 'residue', 'checkup'] : ['strings', 'residue', 'checkup'],
    );
  }
});

test('with nothing on record everything that needs a date says so', () => {
  const threads = threadsOf([]);
  expect(threads.map(({ part: id, state }) => [id, state])).toEqual([
    ['strings', 'unknown'],
    ['hair', 'unknown'],
    ['rosin', 'unknown'],
    ['residue', 'well'],
    ['checkup', 'unknown'],
  ]);
});

describe('strings', () => {
  const { event } = scribe('00000000-0000-4000-8000-0000000000aa');
  const fitted = (
    days: number,
    strings: number[] | null = null,
    known = true,
    reason: 'worn' | 'broke' | 'on-record' = 'on-record',
  ) => event('strings-fitted', ago(days), { strings, reason, known });

  test('go from well by way of soon to now as they wear', () => {
    const state = (days: number) => part(threadsOf([fitted(days)]), 'strings').state;
    expect(state(10)).toBe('well');
    expect(state(400)).toBe('soon');
    expect(state(600)).toBe('now');
  });

  test('the oldest string decides; a fresh one does not move the window', () => {
    const whole = part(threadsOf([fitted(200)]), 'strings');
    const oneNew = part(threadsOf([fitted(200), fitted(5, [3])]), 'strings');
    expect(oneNew.window).toEqual(whole.window);
    expect(oneNew.oldest).toEqual([0, 1, 2]);
    expect(oneNew.on[3]!.fitting!.at).toBe(ago(5));
  });

  test('a new set starts the thread again, and the window moves', () => {
    const before = part(threadsOf([fitted(600)]), 'strings');
    const after = part(threadsOf([fitted(600), fitted(0)]), 'strings');
    expect(before.state).toBe('now');
    expect(after.state).toBe('well');
    expect(after.window!.early).toBeGreaterThan(before.window!.early + 500 * DAY_MS);
    expect(after.from).toBe(NOW);
  });

  test('a set of unknown date counts from when that was said, and is still asked about', () => {
    const thread = part(threadsOf([fitted(10, null, false)]), 'strings');
    expect(thread).toMatchObject({ state: 'unknown', window: null });
    expect(thread.clock!.daysOn).toBeCloseTo(10, 6);
    expect(part(threadsOf([fitted(600, null, false)]), 'strings')).toMatchObject({ state: 'now', dateMissing: true });
    expect(part(threadsOf([fitted(600)]), 'strings').dateMissing).toBe(false);
  });

  test('changed because worn, they teach how long they last this player; one that broke only says at least', () => {
    const playing = dailySessions('2025-03-01', 450, 1);
    const taught = (reason: 'worn' | 'broke' | 'on-record') =>
      part(threadsOf([fitted(400), fitted(290, null, true, reason), ...own(playing)]), 'strings');
    const plain = taught('on-record');
    // Changed after 110 days at an hour a day, when the rule gives 273: sooner from now on.
    expect(taught('worn').factor).toMatchObject({ worn: 1, seen: 1 });
    expect(taught('worn').window!.middle).toBeLessThan(plain.window!.middle - 60 * DAY_MS);
    expect(taught('broke').factor.median).toBeGreaterThan(plain.factor.median);
    expect(taught('broke').window!.middle - plain.window!.middle).toBeLessThan(30 * DAY_MS);
  });

  test('corrosive hands shorten and a wiping cloth lengthens what the rule gives', () => {
    const facts = usualFacts('violin');
    const wiped = (done: boolean) =>
      own(dailySessions('2026-04-01', 30, 0.5)).flatMap((each): LogEvent[] =>
        each.type === 'session-ended'
          ? [
              each,
              event(done ? 'step-done' : 'step-skipped', each.occurredAt, {
                step: 'wipe-strings',
                sessionId: each.payload.sessionId,
              }),
            ]
          : [each],
      );
    const middle = (events: LogEvent[], sweat: 'low' | 'usual' | 'corrosive' = 'usual') =>
      part(threadsOf([fitted(100), ...events], { ...facts, stringing: { ...facts.stringing, sweat } }), 'strings')
        .window!.middle;
    const plain = middle(own(dailySessions('2026-04-01', 30, 0.5)));
    expect(middle(wiped(true))).toBeGreaterThan(plain);
    expect(middle(wiped(false))).toBeLessThan(plain);
    expect(middle(wiped(true), 'corrosive')).toBeLessThan(middle(wiped(true), 'low') - 100 * DAY_MS);
  });

  test('found still good they last at least so long, whoever is asked', () => {
    const plain = part(threadsOf([fitted(600)]), 'strings');
    const looked = part(threadsOf([fitted(600), event('strings-looked-over', ago(1), {})]), 'strings');
    expect(plain.state).toBe('now');
    expect(looked.state).not.toBe('now');
    expect(looked.window!.middle).toBeGreaterThan(plain.window!.middle + 30 * DAY_MS);
  });

  describe('a change teaches once', () => {
    const playing = dailySessions('2024-06-01', 700, 1);
    const thread = (...events: LogEvent[]) => part(threadsOf([...events, ...own(playing)]), 'strings');
    const one = (days: number, position: number, changeId: string | null = null) =>
      event('strings-fitted', ago(days), { strings: [position], reason: 'worn', known: true, changeId });

    test('however many events it took', () => {
      const whole = thread(fitted(400), fitted(290, null, true, 'worn'));
      const guided = thread(
        fitted(400),
        ...[0, 1, 2, 3].map((position) => one(290, position, '00000000-0000-4000-8000-00000000c001')),
      );
      expect(whole.factor).toMatchObject({ worn: 1, seen: 1 });
      expect(guided.factor).toEqual(whole.factor);
      expect(guided.window).toEqual(whole.window);
    });

    test('a young string that came off with an old set lasted at least so long, and no more is said of it', () => {
      const { on } = thread(fitted(400), one(310, 3), fitted(290, null, true, 'worn'));
      expect(on[0]!.factor).toMatchObject({ worn: 1, seen: 1 });
      // Its own: the first E spent after 90 days, the second off after 20 for company.
      expect(on[3]!.factor).toMatchObject({ worn: 1, seen: 2 });
    });

    test('an E renewed each month drags no other string', () => {
      const monthly = Array.from({ length: 8 }, (_, at) => one(390 - 30 * at, 3));
      const plain = thread(fitted(400));
      const renewed = thread(fitted(400), ...monthly);
      expect(renewed.on[0]!.window).toEqual(plain.on[0]!.window);
      expect(renewed.on[0]!.factor.seen).toBe(0);
      expect(renewed.on[3]!.factor.median).toBeLessThan(0.5);
    });
  });

  test('saying later when they were fitted beats not having known', () => {
    const said = part(threadsOf([fitted(10, null, false), fitted(90)]), 'strings');
    expect(said.from).toBe(ago(90));
    expect(said.state).not.toBe('unknown');
    const one = part(threadsOf([fitted(10, null, false), fitted(5, [3])]), 'strings');
    expect(one.oldest).toEqual([0, 1, 2]);
    expect(one.on[3]!.fitting!.at).toBe(ago(5));
  });

  test('some strings on record and some not: unknown', () => {
    expect(part(threadsOf([fitted(10, [0, 1])]), 'strings').state).toBe('unknown');
  });

  test('harps and nylon strings say that their life is a default', () => {
    const basis = (facts: InstrumentFacts) => part(threadsOf([], facts), 'strings').basis;
    expect(basis(usualFacts('harp'))).toBe('default');
    expect(basis(usualFacts('guitar', 'classical'))).toBe('default');
    expect(basis(usualFacts('guitar', 'steel'))).toBe('trade');
    expect(basis(usualFacts('cello'))).toBe('trade');
  });
});

describe('bow hair', () => {
  const { event, session } = scribe('00000000-0000-4000-8000-0000000000bb');

  test('is looked over yearly whatever its wear, as something due by itself', () => {
    const rehaired = event('rehaired', ago(380), { reason: 'routine', known: true });
    const look = (...events: LogEvent[]) => part(threadsOf(events), 'hair-look');
    // common practice: look once a year.
    expect(look(rehaired)).toMatchObject({ state: 'now', since: 'rehaired', from: ago(380) });
    expect(look(rehaired).window!.middle).toBe(ago(380) + 365 * DAY_MS);
    expect(look(rehaired, event('hair-looked-over', ago(3), {}))).toMatchObject({
      state: 'well',
      since: 'looked-over',
    });
    expect(look(event('rehaired', ago(340), { reason: 'routine', known: true })).state).toBe('soon');
    // New hair begins the year again; hair of unknown age has none to count from.
    expect(
      look(event('hair-looked-over', ago(300), {}), event('rehaired', ago(9), { reason: 'worn', known: true })),
    ).toMatchObject({ since: 'rehaired', state: 'well' });
    expect(look(event('rehaired', ago(1), { reason: 'on-record', known: false }))).toMatchObject({
      state: 'unknown',
      from: null,
      window: null,
    });
    // Hair that is to be replaced needs no look; nor does a bow of which nothing is known.
    expect(look(event('rehaired', ago(1500), { reason: 'worn', known: true }))).toBeUndefined();
    expect(look()).toBeUndefined();
  });

  test('found still good it lasts at least so long', () => {
    const rehaired = event('rehaired', ago(1500), { reason: 'worn', known: true });
    const plain = part(threadsOf([rehaired]), 'hair');
    const looked = part(threadsOf([rehaired, event('hair-looked-over', ago(2), {})]), 'hair');
    expect(plain.state).toBe('now');
    expect(looked.state).not.toBe('now');
    expect(looked.window!.early).toBeGreaterThan(NOW);
    // Hair put on since is not what was looked at.
    const after = part(threadsOf([event('hair-looked-over', ago(1600), {}), rehaired]), 'hair');
    expect(after.window).toEqual(plain.window);
  });

  test('counts the hours under tension since the rehair', () => {
    const [began, ended] = session(ago(10), 1);
    const slack = event('step-done', ago(10) + 3 * HOUR_MS, { step: 'slacken', sessionId: began.id });
    const rehaired = event('rehaired', ago(20), { reason: 'worn', known: true });
    const { tension } = part(threadsOf([began, ended, slack, rehaired]), 'hair');
    expect(tension).toEqual({ idleHours: 2, times: 1, tightSince: null });
  });
});

describe('rosin', () => {
  const { event, session } = scribe('00000000-0000-4000-8000-0000000000cc');
  const after = (minutes: number) =>
    part(threadsOf([event('rosined', ago(2), {}), ...session(ago(1), minutes / 60)]), 'rosin');

  test('is due from 60 minutes of bowing, and wanted at 90', () => {
    // common practice: weekly at 10 to 15 minutes a day, daily at 60 to 90.
    expect(after(45).state).toBe('well');
    expect(after(62).state).toBe('soon');
    expect(after(95).state).toBe('now');
    expect(after(62).minutes).toBeCloseTo(62, 6);
  });

  test('not known while nothing is on record, until what is bowed here says that it is due', () => {
    const bowed = (minutes: number) => part(threadsOf(session(ago(1), minutes / 60)), 'rosin');
    expect(bowed(20)).toMatchObject({ since: 'not-known', state: 'unknown', from: null, window: null });
    expect(bowed(65).state).toBe('soon');
    expect(bowed(95).state).toBe('now');
  });

  test('new hair has none, whatever was rosined before', () => {
    const rehaired = event('rehaired', ago(3), { reason: 'worn', known: true });
    const before = event('rosined', ago(5), {});
    expect(part(threadsOf([before, rehaired]), 'rosin')).toMatchObject({
      since: 'new-hair',
      state: 'now',
      from: ago(3),
    });
    const rosined = [before, rehaired, event('rosined', ago(2), {}), ...session(ago(1), 0.5)];
    expect(part(threadsOf(rosined), 'rosin')).toMatchObject({ since: 'rosined', state: 'well' });
    expect(part(threadsOf(rosined), 'rosin').minutes).toBeCloseTo(30, 6);
    // A month on it has certainly been rosined; when, nobody knows.
    const old = event('rehaired', ago(40), { reason: 'worn', known: true });
    expect(part(threadsOf([event('rosined', ago(50), {}), old]), 'rosin').since).toBe('not-known');
  });

  test('a quarter of an hour a day makes a rosining a week, an hour and a half one a day', () => {
    const pace = (minutes: number) => {
      const events = [...dailySessions('2025-08-01', 303, minutes / 60), event('rosined', ago(0.5), {})];
      const { window } = part(threadsOf(events), 'rosin');
      return (window!.middle - NOW) / DAY_MS;
    };
    expect(pace(13)).toBeGreaterThan(6);
    expect(pace(13)).toBeLessThan(8);
    expect(pace(90)).toBeCloseTo(1, 0);
  });
});

describe('residue', () => {
  const { event, session } = scribe('00000000-0000-4000-8000-0000000000dd');
  const wipes = (steps: readonly StepId[], at: number) =>
    steps.map((step) => event('step-done', at, { step, sessionId: null }));
  const ALL = ['wipe-stick', 'wipe-strings', 'wipe-rosin', 'wipe-hands'] as const;

  test('is due the same evening, overdue the next day, settling after two, caked after sixty', () => {
    const after = (days: number) => part(threadsOf(session(ago(days), 0.5)), 'residue');
    expect([after(0.2).state, after(0.2).worst!.state]).toEqual(['soon', 'fresh']);
    expect([after(1.5).state, after(1.5).worst!.state]).toEqual(['now', 'fresh']);
    expect(after(5).worst!.state).toBe('settling');
    expect(after(70).worst!.state).toBe('caked');
  });

  test('each zone by itself: what was skipped stays', () => {
    const events = [
      ...session(ago(4), 0.5),
      ...wipes(ALL.slice(0, 3), ago(3.9)),
      ...session(ago(1.5), 0.5),
      ...wipes(ALL.slice(0, 3), ago(1.4)),
    ];
    const thread = part(threadsOf(events), 'residue');
    expect(thread.worst!.step).toBe('wipe-hands');
    expect(thread.worst!.minutes).toBeCloseTo(60, 6);
    expect(thread.zones.filter(({ state }) => state === 'clean')).toHaveLength(3);
    expect(part(threadsOf([...events, ...wipes(['wipe-hands'], ago(1))]), 'residue').state).toBe('well');
  });

  test('is nobody’s business while playing', () => {
    expect(part(threadsOf([event('session-began', ago(0.02), {})]), 'residue').state).toBe('well');
  });
});

describe('checkups', () => {
  const { event } = scribe('00000000-0000-4000-8000-0000000000ee');
  const done = (days: number) => event('checked-up', ago(days), { known: true });

  test('a date said later beats not having known', () => {
    const unknown = event('checked-up', ago(1), { known: false });
    expect(part(threadsOf([unknown]), 'checkup').state).toBe('unknown');
    expect(part(threadsOf([unknown, done(200)]), 'checkup')).toMatchObject({ state: 'now', from: ago(200) });
  });

  test('every six months by school A, yearly by school B', () => {
    // common practice.
    const due = (checkup: 'A' | 'B') =>
      part(
        threadsOf([event('checked-up', '2026-01-31T12:00:00.000Z', { known: true })], undefined, {
          ...schoolsFor('violin'),
          checkup,
        }),
        'checkup',
      ).window!;
    expect(new Date(due('A').middle).toISOString()).toBe('2026-07-31T11:00:00.000Z');
    expect(new Date(due('B').middle).toISOString()).toBe('2027-01-31T12:00:00.000Z');
    expect(new Date(due('A').early).toISOString()).toBe('2026-06-30T11:00:00.000Z');
  });

  test('well, soon within a month of the rule, now past it', () => {
    expect(part(threadsOf([done(60)]), 'checkup').state).toBe('well');
    expect(part(threadsOf([done(160)]), 'checkup').state).toBe('soon');
    expect(part(threadsOf([done(200)]), 'checkup').state).toBe('now');
  });
});

test('what is due stands first', () => {
  const { event } = scribe('00000000-0000-4000-8000-000000000099');
  const threads = threadsOf([
    event('strings-fitted', ago(600), { strings: null, reason: 'worn', known: true }),
    event('rehaired', ago(30), { reason: 'worn', known: true }),
    event('checked-up', ago(160), { known: true }),
  ]);
  expect(byUrgency(threads).map(({ part: id }) => id)).toEqual([
    'strings',
    'checkup',
    'rosin',
    'hair-look',
    'hair',
    'residue',
  ]);
});

test('hair that stood tight is due sooner, by a stated and bounded amount', () => {
  const { event, session } = scribe();
  const rehaired = event('rehaired', ago(200), { reason: 'worn', known: true });
  const evenings = (slackened: boolean) =>
    Array.from({ length: 60 }, (_, at): LogEvent[] => {
      const [began, ended] = session(ago(100 - at), 1);
      const slack = event('step-done', ended.occurredAt, { step: 'slacken', sessionId: began.id });
      return slackened ? [began, ended, slack] : [began, ended];
    }).flat();
  const hair = (slackened: boolean) => part(threadsOf([rehaired, ...evenings(slackened)]), 'hair');
  const [kept, left] = [hair(true), hair(false)];
  expect(kept.clock!.extraWear).toBe(0);
  expect(left.clock!.extraWear).toBeCloseTo(TIGHT_COSTS_AT_MOST, 9);
  expect(left.clock!.wear - kept.clock!.wear).toBeCloseTo(TIGHT_COSTS_AT_MOST, 9);
  expect(left.window!.middle).toBeLessThan(kept.window!.middle);
});

test('residue that has caked is work for the next visit, and makes one', () => {
  const { event, session } = scribe();
  const seen = event('checked-up', ago(100), { known: true });
  const clean = part(threadsOf([seen]), 'checkup');
  expect(clean).toMatchObject({ state: 'well', caked: [] });
  const caked = part(threadsOf([seen, ...session(ago(80), 2)]), 'checkup');
  expect(caked.state).toBe('soon');
  expect(caked.caked.map(({ zone }) => zone)).toEqual(['bow-stick', 'rosin-zones', 'hand-zones']);
});

test('hair that takes more turns to its gap has stretched, and is looked at', () => {
  const { event } = scribe();
  const rehaired = event('rehaired', ago(60), { reason: 'worn', known: true });
  const turns = (daysAgo: number, value: number) => event('measured', ago(daysAgo), { figure: 'bow-turns', value });
  const hair = (...events: LogEvent[]) => part(threadsOf([rehaired, ...events]), 'hair');
  expect(hair(turns(50, 6), turns(5, 7))).toMatchObject({ state: 'well', stretch: { turns: 7, before: 6 } });
  expect(hair(turns(50, 6), turns(5, 8)).state).toBe('soon');
  // Turns of the hair before do not count.
  expect(hair(turns(90, 5), turns(5, 8))).toMatchObject({ state: 'well', stretch: null });
});
