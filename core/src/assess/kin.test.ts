import { usualFacts, type Family } from '../instruments';
import type { LogEvent } from '../log';
import { threadOf } from '../parts';
import { dailySessions, scribe } from '../testing/events';
import { DAY_MS } from '../time';
import { assessHousehold, assessInstrument, kinOf, learnedFrom, type HouseholdQuestion, type OwnInstrument } from '.';

/** What one instrument tells of its player is expected of the player's others. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ago = (days: number) => NOW - days * DAY_MS;
const instrument = (id: string, family: Family = 'violin', player: 'adult' | 'child' = 'adult'): OwnInstrument => {
  const facts = usualFacts(family);
  return { ...facts, id, addedAt: new Date(ago(500)).toISOString(), setUp: { ...facts.setUp, player } };
};

const { event } = scribe('00000000-0000-4000-8000-0000000000aa');
const fitted = (days: number, reason: 'worn' | 'broke' | 'on-record') =>
  event('strings-fitted', ago(days), { strings: null, reason, known: true });
/** Changed every seventy days at an hour a day, when the rule gives four times as long. */
const eager: readonly LogEvent[] = [
  ...[420, 350, 280, 210, 140].map((days) => fitted(days, days === 420 ? 'on-record' : 'worn')),
  ...(JSON.parse(JSON.stringify(dailySessions('2025-03-01', 450, 1)).replaceAll('-8000-', '-9000-')) as LogEvent[]),
];
const fresh = [fitted(30, 'on-record')];

function question(
  instruments: readonly OwnInstrument[],
  events: Readonly<Record<string, readonly LogEvent[]>>,
): HouseholdQuestion<OwnInstrument> {
  return {
    timeZone: 'Europe/Lisbon',
    schools: {},
    instruments,
    eventsOf: (id) => events[id] ?? [],
    places: new Map(),
    appointments: [],
    occasions: [],
    bows: [],
    nowMs: NOW,
  };
}
const stringsOf = (asked: HouseholdQuestion<OwnInstrument>, id: string) =>
  threadOf(assessHousehold(asked).assessments.find(({ facts }) => facts.id === id)!.threads, 'strings')!;

const two = [instrument('first'), instrument('second', 'viola')];

test('who changes early on one instrument is expected to do so on the other, by half as much at most', () => {
  const alone = stringsOf(question([two[1]!], { second: fresh }), 'second');
  const first = stringsOf(question(two, { first: eager, second: fresh }), 'first');
  const both = stringsOf(question(two, { first: eager, second: fresh }), 'second');
  expect(first.factor.worn).toBe(4);
  expect(first.elsewhere).toBeNull();
  expect(both.elsewhere).toEqual({ worn: 4, instruments: 1 });
  expect(both.window!.middle).toBeLessThan(alone.window!.middle - 20 * DAY_MS);
  expect(Math.log(both.factor.median)).toBeGreaterThan(0.5 * Math.log(first.factor.median) - 0.02);
});

test('its own changes outweigh what others tell', () => {
  const own = [fitted(400, 'on-record'), fitted(300, 'worn'), fitted(200, 'worn'), fitted(100, 'worn')];
  const alone = stringsOf(question([two[1]!], { second: own }), 'second');
  const both = stringsOf(question(two, { first: eager, second: own }), 'second');
  expect(Math.abs(Math.log(both.factor.median / alone.factor.median))).toBeLessThan(0.1);
});

test('one instrument judged by itself, told what the others say, is what the whole household’s judgement says', () => {
  const asked = question(two, { first: eager, second: fresh });
  const { assessments } = assessHousehold(asked);
  const elsewhere = new Map(assessments.map((each) => [each.facts.id, learnedFrom(each)]));
  expect(two.map((each) => assessInstrument(each, { ...asked, elsewhere }))).toEqual(assessments);
  // And nothing was learned from what nobody has changed.
  expect(learnedFrom(assessments[1]!)).toEqual({ lives: [], pace: null });
});

test('a child’s and an adult’s instruments tell nothing of each other, nor those of a school', () => {
  const family = [instrument('mine'), instrument('hers', 'violin', 'child'), instrument('too')];
  expect(kinOf(family[0]!, family)).toEqual(['too']);
  expect(kinOf(family[1]!, family)).toEqual([]);
  const school = Array.from({ length: 7 }, (_, at) => instrument(`number ${at}`));
  expect(kinOf(school[0]!, school)).toEqual([]);
  expect(kinOf(school[0]!, school.slice(0, 6))).toHaveLength(5);
});

test('where it was said who plays, what one person does tells of their others, and of nobody else’s', () => {
  const three = [...two, instrument('third', 'cello')];
  const people = [
    { id: 'ana', plays: ['first', 'second'] },
    { id: 'rui', plays: ['third'] },
  ];
  const ids = (one: number) => kinOf(three[one]!, three, people);
  expect([ids(0), ids(1), ids(2)]).toEqual([['second'], ['first'], []]);
  // However many there are, of which a school has many.
  const many = [...three, ...Array.from({ length: 20 }, (_, at) => instrument(`more ${at}`))];
  expect(kinOf(many[0]!, many, people)).toEqual(['second']);
  // Of those nobody said it of, nothing is told by those of which somebody did.
  expect(kinOf(three[2]!, three, [{ plays: ['first'] }])).toEqual(['second']);
  const events = { first: eager, second: fresh, third: fresh };
  const asked = { ...question(three, events), people };
  expect(stringsOf(asked, 'second').window).not.toEqual(
    stringsOf(question([two[1]!], { second: fresh }), 'second').window,
  );
  expect(stringsOf(asked, 'third').window).toEqual(stringsOf(question([three[2]!], { third: fresh }), 'third').window);
});
