import fc from 'fast-check';
import {
  appointmentSchema,
  costPerHour,
  currencySchema,
  lifeDays,
  nextPerformance,
  paidSince,
  pricesPaid,
  occasionSchema,
  priceSchema,
  spansBetween,
  totalCost,
  yearCosts,
  yearPlan,
  type Appointment,
  type Occasion,
  type Price,
} from '.';
import { usualFacts, schoolsFor } from '../instruments';
import { foldLog } from '../log';
import { dailySessions, scribe } from '../testing/events';
import { DAY_MS, localDay, dateOfDay, dayOfDate } from '../time';
import { dueItems, type DueItem } from '../parts';
import { assess, type Assessment } from '../assess';
import { chanceBy } from '../wear';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const TODAY = localDay(NOW, 'UTC');
const VIOLIN = '11111111-1111-4111-8111-111111111111';
const CELLO = '22222222-2222-4222-8222-222222222222';
const inDays = (days: number) => NOW + days * DAY_MS;

const item = (more: Partial<DueItem> = {}): DueItem => ({
  instrumentId: VIOLIN,
  bowId: null,
  part: 'strings',
  who: 'self',
  from: NOW - 200 * DAY_MS,
  window: { early: inDays(20), middle: inDays(60), late: inDays(120) },
  state: 'well',
  settles: 7,
  keepsClear: 10,
  outlook: { kind: 'window', window: { early: inDays(12), middle: inDays(60), late: inDays(108) } },
  ...more,
});
/** The same assessment with another school before performances. */
const under = (assessed: Assessment, beforePlaying: 'A' | 'B'): Assessment => ({
  ...assessed,
  schools: { ...assessed.schools, beforePlaying },
});
const performance = (from: number, to = from, instrumentId: string | null = null): Occasion => ({
  title: 'Harbour concert',
  kind: 'performance',
  instrumentId,
  spans: [{ from: dateOfDay(TODAY + from), to: dateOfDay(TODAY + to) }],
  source: null,
});
const plan = (items: DueItem[], occasions: Occasion[] = [], appointments: Appointment[] = []) =>
  yearPlan(items, appointments, occasions, NOW, 'UTC');
const dayOf = (...args: Parameters<typeof plan>) => plan(...args).items[0]!.day - TODAY;

describe('the year’s plan', () => {
  test('puts things in the middle of their window, and today what is past it', () => {
    expect(dayOf([item()])).toBe(60);
    const late = item({ window: { early: inDays(-90), middle: inDays(-30), late: inDays(10) } });
    expect(plan([late]).items[0]).toMatchObject({ day: TODAY, placed: { by: 'today' } });
  });

  test('keeps clear of a performance: before it where the window is open, else after it', () => {
    expect(dayOf([item()], [performance(62)])).toBe(51);
    expect(plan([item()], [performance(62)]).items[0]!.placed).toMatchObject({ by: 'performance', side: 'before' });
    const narrow = item({
      window: { early: inDays(58), middle: inDays(60), late: inDays(70) },
      outlook: { kind: 'window', window: { early: inDays(62), middle: inDays(90), late: inDays(120) } },
    });
    expect(dayOf([narrow], [performance(62, 64)])).toBe(65);
    // A performance on another instrument is no reason; a lesson neither.
    expect(dayOf([item()], [performance(62, 62, CELLO)])).toBe(60);
    expect(dayOf([item()], [{ ...performance(62), kind: 'lesson' }])).toBe(60);
  });

  test('nothing the rule places ever lies in the quiet days before a performance, nor in the past', () => {
    const items = fc.array(
      fc.record({
        early: fc.integer({ min: -100, max: 200 }),
        length: fc.integer({ min: 2, max: 120 }),
        keepsClear: fc.integer({ min: 0, max: 20 }),
        who: fc.constantFrom('self' as const, 'workshop' as const, 'teacher' as const),
        part: fc.constantFrom('strings' as const, 'hair' as const, 'checkup' as const),
      }),
      { minLength: 1, maxLength: 12 },
    );
    const concerts = fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.nat(5)), { maxLength: 8 });
    fc.assert(
      fc.property(items, concerts, (wanted, when) => {
        const due = wanted.map(({ early, length, ...more }, at) =>
          item({
            ...more,
            instrumentId: `${at}`.padStart(8, '0') + VIOLIN.slice(8),
            window: { early: inDays(early), middle: inDays(early + length), late: inDays(early + 2 * length) },
          }),
        );
        const occasions = when.map(([from, length]) => performance(from, from + length));
        const laid = plan(due, occasions).items;
        expect(laid).toHaveLength(due.length);
        for (const each of laid) {
          expect(each.day).toBeGreaterThanOrEqual(TODAY);
          for (const [from, length] of when) {
            const inside = each.day >= TODAY + from - each.keepsClear && each.day <= TODAY + from + length;
            expect(inside).toBe(false);
          }
        }
      }),
    );
  });

  test('workshop work whose windows meet becomes one visit', () => {
    const rehair = item({
      part: 'hair',
      who: 'workshop',
      window: { early: inDays(30), middle: inDays(60), late: inDays(100) },
    });
    const checkup = item({
      part: 'checkup',
      who: 'workshop',
      window: { early: inDays(55), middle: inDays(85), late: inDays(115) },
    });
    const far = item({
      instrumentId: CELLO,
      part: 'checkup',
      who: 'workshop',
      window: { early: inDays(300), middle: inDays(330), late: inDays(360) },
    });
    const { visits } = plan([rehair, checkup, far, item()]);
    expect(visits).toHaveLength(2);
    expect(visits[0]!.items.map(({ part }) => part).sort()).toEqual(['checkup', 'hair']);
    expect(visits[0]!.day - TODAY).toBeGreaterThanOrEqual(55);
    expect(visits[0]!.day - TODAY).toBeLessThanOrEqual(100);
  });

  test('a date the player set stays, and is warned of when it falls before a performance', () => {
    const own: Appointment = {
      instrumentId: VIOLIN,
      part: 'strings',
      date: dateOfDay(TODAY + 80),
      lifeFrom: item().from,
      by: null,
    };
    const laid = plan([item()], [performance(85)], [own]).items[0]!;
    expect(laid).toMatchObject({ day: TODAY + 80, placed: { by: 'player' }, clash: { title: 'Harbour concert' } });
    expect(laid.risk).toBeCloseTo(80 / 120, 2);
    // It was about strings that are off again.
    expect(dayOf([item()], [], [{ ...own, lifeFrom: 5 }])).toBe(60);
    expect(appointmentSchema.safeParse({ ...own, date: '14.3.2026' }).success).toBe(false);
  });
});

test('what is at the workshop is not due before it is looked for, unless the player set a day', () => {
  const awayUntil = TODAY + 9;
  expect(dayOf([item({ window: { early: inDays(-20), middle: inDays(-5), late: inDays(30) }, awayUntil })])).toBe(9);
  expect(
    plan([item({ window: { early: inDays(-20), middle: inDays(-5), late: inDays(30) }, awayUntil })]).items[0]!.placed,
  ).toEqual({
    by: 'workshop',
  });
  expect(dayOf([item({ awayUntil })])).toBe(60);
  const [first, second] = plan([
    item({
      part: 'hair',
      who: 'workshop',
      awayUntil,
      window: { early: inDays(2), middle: inDays(4), late: inDays(80) },
    }),
    item({
      part: 'checkup',
      who: 'workshop',
      instrumentId: CELLO,
      window: { early: inDays(0), middle: inDays(3), late: inDays(60) },
    }),
  ]).items;
  expect(first!.day - TODAY).toBeGreaterThanOrEqual(9);
  expect(second!.day).toBe(first!.day);
});

test('what was paid tells prices: the range of the last three, in the household’s currency; and what the year came to', () => {
  const { event } = scribe(VIOLIN);
  const paid = (daysAgo: number, part: string | null, amount: number, currency = 'EUR') =>
    event('worked-on', NOW - daysAgo * DAY_MS, {
      by: 'workshop',
      words: 'Work',
      part,
      cost: { amount, currency },
      visitId: null,
    });
  const { doneWorks } = foldLog(
    [
      paid(900, 'hair', 40),
      paid(700, 'hair', 60),
      paid(300, 'hair', 65),
      paid(30, 'hair', 62),
      paid(29, 'hair', 900, 'SEK'),
      paid(20, null, 30),
      paid(10, 'of-old', 5),
      event('worked-on', NOW, { by: 'self', words: 'Nothing paid', part: 'strings', cost: null, visitId: null }),
    ],
    NOW,
    'UTC',
  );
  expect(pricesPaid(VIOLIN, doneWorks, 'EUR')).toEqual([
    { part: 'hair', by: 'workshop', instrumentId: VIOLIN, low: 60, high: 65 },
  ]);
  expect(paidSince(doneWorks, 'EUR', NOW - 365 * DAY_MS)).toBe(65 + 62 + 30 + 5);
});

describe('what comes due', () => {
  const facts = { ...usualFacts('violin'), id: VIOLIN };
  const { event } = scribe('00000000-0000-4000-8000-0000000000aa');
  const events = [
    event('strings-fitted', NOW - 100 * DAY_MS, { strings: null, reason: 'worn', known: true, by: 'teacher' }),
    event('rehaired', NOW - 300 * DAY_MS, { reason: 'worn', known: true }),
    event('checked-up', NOW - 100 * DAY_MS, { known: true }),
  ];
  const log = foldLog(events, NOW, 'UTC');
  const assessed = assess(facts, log, { schools: schoolsFor('violin'), observedFrom: NOW - 300 * DAY_MS });

  test('is strings, hair, the look at it and checkup, with who does it and what putting it off costs', () => {
    const items = dueItems(VIOLIN, null, assessed.threads, under(assessed, 'A'));
    expect(items.map(({ part, who }) => [part, who])).toEqual([
      ['strings', 'teacher'],
      ['hair', 'workshop'],
      ['hair-look', 'self'],
      ['checkup', 'workshop'],
    ]);
    for (const { window, outlook } of items) {
      expect(chanceBy(outlook, window.early)).toBeCloseTo(0.1, 1);
      expect(chanceBy(outlook, window.middle)).toBeCloseTo(0.5, 1);
      expect(chanceBy(outlook, window.late)).toBeCloseTo(0.9, 1);
    }
    const bold = dueItems(VIOLIN, null, assessed.threads, under(assessed, 'B'));
    expect(items[0]!.keepsClear).toBeGreaterThan(bold[0]!.keepsClear);
    expect(bold[0]!.keepsClear).toBe(bold[0]!.settles);
  });

  test('what it will cost counts the changes a year holds, and invents no price', () => {
    const { items } = plan(dueItems(VIOLIN, null, assessed.threads, under(assessed, 'A')));
    const prices: Price[] = [
      { part: 'strings', by: 'teacher', instrumentId: VIOLIN, low: 40, high: 60 },
      { part: 'strings', by: 'self', instrumentId: VIOLIN, low: 30, high: 30 },
      { part: 'strings', by: 'workshop', instrumentId: VIOLIN, low: 70, high: 70 },
    ];
    const costs = yearCosts(items, () => assessed, prices, NOW);
    const strings = costs.find(({ part }) => part === 'strings')!;
    expect(strings.times.low).toBeLessThanOrEqual(strings.times.middle);
    expect(strings.times.middle).toBeLessThanOrEqual(strings.times.high);
    expect(strings.cost).toEqual({
      low: strings.times.low * 40,
      middle: strings.times.middle * 50,
      high: strings.times.high * 60,
    });
    expect(strings.saved).toBe(strings.times.middle * 40);
    expect(costs.find(({ part }) => part === 'hair')!.cost).toBeNull();
    expect(totalCost(costs)).toMatchObject({ missing: 2, middle: strings.cost!.middle });
    expect(costPerHour({ low: 10, middle: 20, high: 40 }, 0.5)!.middle).toBeCloseTo(20 / 182.5, 9);
    expect(costPerHour({ low: 10, middle: 20, high: 40 }, 0)).toBeNull();
  });

  test('a life at half an hour and at two hours a day is the trade’s year and half year', () => {
    // Handbook 4: bowed strings, 12 months on average, 6 at heavy use.
    const life = { hours: 547, days: 547, logSd: 0.35 };
    expect(lifeDays(life, 0.5)).toBeCloseTo(365, 0);
    expect(lifeDays(life, 2)).toBeCloseTo(182, 0);
  });
});

test('checkups come twice a year by the six-month rule', () => {
  const facts = { ...usualFacts('cello'), id: CELLO };
  const log = foldLog(
    [
      scribe().event('checked-up', NOW - 30 * DAY_MS, { known: true }),
      ...dailySessions('2026-01-01', 60, 1).map((each) => ({ ...each, id: each.id.replace('-8000-', '-9000-') })),
    ],
    NOW,
    'UTC',
  );
  const assessed = assess(facts, log, { schools: schoolsFor('cello'), observedFrom: NOW - 200 * DAY_MS });
  const { items } = plan(dueItems(VIOLIN, null, assessed.threads, under(assessed, 'A')));
  const costs = yearCosts(items, () => assessed, [], NOW);
  expect(costs.find(({ part }) => part === 'checkup')!.times.middle).toBe(2);
});

describe('occasions', () => {
  test('are read with clear faults', () => {
    const span = (from: string, to: string) => occasionSchema.safeParse({ ...performance(1), spans: [{ from, to }] });
    expect(span('2026-05-02', '2026-05-01').error?.issues[0]?.message).toMatch(/ends before it begins/);
    expect(span('2.5.2026', '2026-05-03').success).toBe(false);
    expect(span('2026-05-02', '2026-05-03').success).toBe(true);
  });

  test('the next performance is the first that concerns the instrument', () => {
    const occasions = [performance(30), performance(7, 8, VIOLIN), { ...performance(2), kind: 'holiday' as const }];
    expect(nextPerformance(occasions, VIOLIN, NOW, 'UTC')).toMatchObject({ inDays: 7 });
    expect(nextPerformance(occasions, CELLO, NOW, 'UTC')).toMatchObject({ inDays: 30 });
    expect(nextPerformance([], CELLO, NOW, 'UTC')).toBeNull();
    expect(spansBetween(occasions, TODAY, TODAY + 10)).toHaveLength(2);
  });

  test('dates and days are one', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 60_000 }), (day) => dayOfDate(dateOfDay(day)) === day));
  });
});

test('prices and currencies are checked', () => {
  const price = { part: 'hair', by: 'workshop', instrumentId: VIOLIN, low: 60, high: 50 };
  expect(priceSchema.safeParse(price).error?.issues[0]?.message).toMatch(/higher price comes second/);
  expect(currencySchema.parse('eur')).toBe('EUR');
  expect(currencySchema.safeParse('EURO').success).toBe(false);
  expect(currencySchema.safeParse('QQQ').success).toBe(false);
});
