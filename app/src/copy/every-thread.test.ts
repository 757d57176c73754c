import type { Instrument } from '@tembrin/contract';
import { PART_NAMES } from './names';
import { headlineFor, reasonFor } from './parts';
import { workingOf } from './parts/working';
import { assess } from '@tembrin/core/assess';
import { byUrgency, PART_IDS, partOf, type PartId, type Thread } from '@tembrin/core/parts';
import { DAY_MS } from '@tembrin/core/time';
import { foldLog, type EventType, type LogEvent } from '@tembrin/core/log';
import { schoolsFor, usualFacts } from '@tembrin/core/instruments';

/** Every thread, begun known, not known or said afterwards, on the first evening, the second, and after years: what is said of it. */
const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const moment = { nowMs: NOW, timeZone: 'Europe/Lisbon' };
const schools = schoolsFor('violin');

const facts = usualFacts('violin');
const violin = (loggedDays: number): Instrument => ({
  id: 'v',
  name: 'Heron',
  ...facts,
  setUp: { ...facts.setUp, habit: 'half-hour' },
  addedAt: new Date(NOW - loggedDays * DAY_MS - 60_000).toISOString(),
  version: 1,
});

let count = 0;
function event(type: EventType, daysAgo: number, payload: object): LogEvent {
  const time = new Date(NOW - daysAgo * DAY_MS - 60_000).toISOString();
  const id = `e${String(++count).padStart(6, '0')}`;
  return { id, instrumentId: 'v', type, occurredAt: time, recordedAt: time, payload } as LogEvent;
}
const session = (daysAgo: number, hours: number): LogEvent[] => {
  const began = event('session-began', daysAgo, {});
  return [began, event('session-ended', daysAgo - hours / 24, { sessionId: began.id })];
};

/** How old a log is, and what was played in it: half an hour on most days, not today. */
const LOGS = {
  'no log': { days: 0, playing: () => [] },
  'a day': { days: 1, playing: () => session(1, 0.5) },
  years: {
    days: 800,
    playing: () => Array.from({ length: 800 }, (_each, at) => (at % 4 === 3 ? [] : session(at + 1, 0.6))).flat(),
  },
} as const;
type LogAge = keyof typeof LOGS;

/** What was said of the beginning: when it was, that nobody knows, or first that and then, now, when it was. */
const SAID = ['nothing', 'known', 'not known', 'known late'] as const;
type Said = (typeof SAID)[number];

/** When the parts really began, days ago; and that they were asked when the log began. */
const BEGAN_DAYS = 400;
function entries(part: PartId, said: Said, logDays: number): LogEvent[] {
  const { begun, askedAtFirst } = partOf(part);
  if (!begun || !askedAtFirst) return [];
  const entry = (known: boolean, daysAgo: number) => {
    const { type, payload } = begun(known, true);
    return event(type, daysAgo, payload);
  };
  if (said === 'known') return [entry(true, BEGAN_DAYS)];
  if (said === 'not known') return [entry(false, logDays)];
  if (said === 'known late') return [entry(false, logDays), entry(true, BEGAN_DAYS)];
  return [];
}

function judged(said: Said, age: LogAge) {
  const { days, playing } = LOGS[age];
  const instrument = violin(days);
  const events = [...PART_IDS.flatMap((part) => entries(part, said, days)), ...playing()];
  const judgement = assess(instrument, foldLog(events, NOW, moment.timeZone), {
    schools,
    observedFrom: Date.parse(instrument.addedAt),
  });
  return { instrument, ...judgement };
}

/** The whole table: part, what was said of its beginning, the log's age, and what a player reads. */
const TABLE: readonly [Thread['part'], Said, LogAge, Thread['state'], string][] = [
  [
    'strings',
    'nothing',
    'no log',
    'unknown',
    'Nobody has said when these strings were fitted. Say so, and they get a forecast.',
  ],
  [
    'strings',
    'nothing',
    'a day',
    'unknown',
    'Nobody has said when these strings were fitted. Say so, and they get a forecast.',
  ],
  [
    'strings',
    'nothing',
    'years',
    'unknown',
    'Nobody has said when these strings were fitted. Say so, and they get a forecast.',
  ],
  [
    'strings',
    'known',
    'no log',
    'now',
    'Fitted 13 months ago, about 200 h played, none of it on record. Change now; few last past 4 Jan 2027.',
  ],
  [
    'strings',
    'known',
    'a day',
    'now',
    'Fitted 13 months ago, about 200 h played, 0.5 h of it on record. Change now; few last past 3 Jan 2027.',
  ],
  ['strings', 'known', 'years', 'now', 'Fitted 13 months ago, 180 h played. Change now; few last past 18 Jan 2027.'],
  [
    'strings',
    'not known',
    'no log',
    'unknown',
    'Nobody knows when these strings were fitted, so there is no forecast.',
  ],
  [
    'strings',
    'not known',
    'a day',
    'unknown',
    'Nobody knows when these strings were fitted, so there is no forecast. On for at least 24 hours.',
  ],
  [
    'strings',
    'not known',
    'years',
    'now',
    'On for at least 26 months, 360 h played: more likely spent than not, whatever came before. Change them now.',
  ],
  [
    'strings',
    'known late',
    'no log',
    'now',
    'Fitted 13 months ago, about 200 h played, none of it on record. Change now; few last past 4 Jan 2027.',
  ],
  [
    'strings',
    'known late',
    'a day',
    'now',
    'Fitted 13 months ago, about 200 h played, 0.5 h of it on record. Change now; few last past 3 Jan 2027.',
  ],
  [
    'strings',
    'known late',
    'years',
    'now',
    'Fitted 13 months ago, 180 h played. Change now; few last past 18 Jan 2027.',
  ],
  [
    'hair',
    'nothing',
    'no log',
    'unknown',
    'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.',
  ],
  [
    'hair',
    'nothing',
    'a day',
    'unknown',
    'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.',
  ],
  [
    'hair',
    'nothing',
    'years',
    'unknown',
    'Nobody has said when this bow was last rehaired. Say so, and it gets a forecast.',
  ],
  [
    'hair',
    'known',
    'no log',
    'well',
    'Rehaired 13 months ago, about 200 h of bowing, none of it on record. Rehair between 30 Jun and 29 Jul 2028.',
  ],
  [
    'hair',
    'known',
    'a day',
    'well',
    'Rehaired 13 months ago, about 200 h of bowing, 0.5 h of it on record. Rehair between 26 Jun and 21 Jul 2028.',
  ],
  [
    'hair',
    'known',
    'years',
    'soon',
    'Rehaired 13 months ago, 180 h of bowing. Rehair by 31 Dec; few last past 7 Mar 2028.',
  ],
  ['hair', 'not known', 'no log', 'unknown', 'Nobody knows when this bow was last rehaired, so there is no forecast.'],
  [
    'hair',
    'not known',
    'a day',
    'unknown',
    'Nobody knows when this bow was last rehaired, so there is no forecast. On for at least 24 hours.',
  ],
  [
    'hair',
    'not known',
    'years',
    'now',
    'On for at least 26 months, 360 h of bowing: more likely spent than not, whatever came before. Rehair now.',
  ],
  [
    'hair',
    'known late',
    'no log',
    'well',
    'Rehaired 13 months ago, about 200 h of bowing, none of it on record. Rehair between 30 Jun and 29 Jul 2028.',
  ],
  [
    'hair',
    'known late',
    'a day',
    'well',
    'Rehaired 13 months ago, about 200 h of bowing, 0.5 h of it on record. Rehair between 26 Jun and 21 Jul 2028.',
  ],
  [
    'hair',
    'known late',
    'years',
    'soon',
    'Rehaired 13 months ago, 180 h of bowing. Rehair by 31 Dec; few last past 7 Mar 2028.',
  ],
  ['hair-look', 'known', 'no log', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  ['hair-look', 'known', 'a day', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  ['hair-look', 'known', 'years', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  [
    'hair-look',
    'not known',
    'no log',
    'unknown',
    'No look at this hair is on record, and nobody knows how old it is. Once a year is the rule: look, and say so.',
  ],
  [
    'hair-look',
    'not known',
    'a day',
    'unknown',
    'No look at this hair is on record, and nobody knows how old it is. Once a year is the rule: look, and say so.',
  ],
  ['hair-look', 'known late', 'no log', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  ['hair-look', 'known late', 'a day', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  ['hair-look', 'known late', 'years', 'now', 'Rehaired 13 months ago; the yearly look has been due since 27 Apr.'],
  [
    'rosin',
    'nothing',
    'no log',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'nothing',
    'a day',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'nothing',
    'years',
    'now',
    '360 h of bowing and no rosining on record. Give it a few passes before you play.',
  ],
  [
    'rosin',
    'known',
    'no log',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'known',
    'a day',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'known',
    'years',
    'now',
    '180 h of bowing and no rosining on record. Give it a few passes before you play.',
  ],
  [
    'rosin',
    'not known',
    'no log',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'not known',
    'a day',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'not known',
    'years',
    'now',
    '360 h of bowing and no rosining on record. Give it a few passes before you play.',
  ],
  [
    'rosin',
    'known late',
    'no log',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'known late',
    'a day',
    'unknown',
    'Not known: no rosining is on record. The count starts with the first one you put down.',
  ],
  [
    'rosin',
    'known late',
    'years',
    'now',
    '180 h of bowing and no rosining on record. Give it a few passes before you play.',
  ],
  ['residue', 'nothing', 'no log', 'well', 'Nothing played yet, nothing to wipe.'],
  [
    'residue',
    'nothing',
    'a day',
    'soon',
    'Nothing wiped for 24 hours, with 30 min of playing left there. Still fresh: a dry cloth takes it off.',
  ],
  [
    'residue',
    'nothing',
    'years',
    'now',
    'Nothing wiped for 26 months, with 360 h of playing left there. It will have caked: leave rubbing to a workshop.',
  ],
  ['residue', 'known', 'no log', 'well', 'Nothing played yet, nothing to wipe.'],
  [
    'residue',
    'known',
    'a day',
    'soon',
    'Nothing wiped for 24 hours, with 30 min of playing left there. Still fresh: a dry cloth takes it off.',
  ],
  [
    'residue',
    'known',
    'years',
    'now',
    'Nothing wiped for 26 months, with 360 h of playing left there. It will have caked: leave rubbing to a workshop.',
  ],
  ['residue', 'not known', 'no log', 'well', 'Nothing played yet, nothing to wipe.'],
  [
    'residue',
    'not known',
    'a day',
    'soon',
    'Nothing wiped for 24 hours, with 30 min of playing left there. Still fresh: a dry cloth takes it off.',
  ],
  [
    'residue',
    'not known',
    'years',
    'now',
    'Nothing wiped for 26 months, with 360 h of playing left there. It will have caked: leave rubbing to a workshop.',
  ],
  ['residue', 'known late', 'no log', 'well', 'Nothing played yet, nothing to wipe.'],
  [
    'residue',
    'known late',
    'a day',
    'soon',
    'Nothing wiped for 24 hours, with 30 min of playing left there. Still fresh: a dry cloth takes it off.',
  ],
  [
    'residue',
    'known late',
    'years',
    'now',
    'Nothing wiped for 26 months, with 360 h of playing left there. It will have caked: leave rubbing to a workshop.',
  ],
  ['checkup', 'nothing', 'no log', 'unknown', 'No checkup is on record. Say when a luthier last looked it over.'],
  ['checkup', 'nothing', 'a day', 'unknown', 'No checkup is on record. Say when a luthier last looked it over.'],
  [
    'checkup',
    'nothing',
    'years',
    'soon',
    'No checkup is on record. Say when a luthier last looked it over. Work for the visit: bow stick, rosin zones and hand zones, where residue has caked.',
  ],
  [
    'checkup',
    'known',
    'no log',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit.',
  ],
  [
    'checkup',
    'known',
    'a day',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit.',
  ],
  [
    'checkup',
    'known',
    'years',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit. Work for the visit: bow stick, rosin zones and hand zones, where residue has caked.',
  ],
  [
    'checkup',
    'not known',
    'no log',
    'unknown',
    'Nobody knows when it was last looked over; every 6 months is the rule. Arrange a visit, or say when it was.',
  ],
  [
    'checkup',
    'not known',
    'a day',
    'unknown',
    'Nobody knows when it was last looked over; every 6 months is the rule. Arrange a visit, or say when it was.',
  ],
  [
    'checkup',
    'not known',
    'years',
    'now',
    'Not looked over for at least 26 months, and every 6 months is the rule. Arrange a visit. Work for the visit: bow stick, rosin zones and hand zones, where residue has caked.',
  ],
  [
    'checkup',
    'known late',
    'no log',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit.',
  ],
  [
    'checkup',
    'known late',
    'a day',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit.',
  ],
  [
    'checkup',
    'known late',
    'years',
    'now',
    'Last looked over 13 months ago, and every 6 months is the rule. Arrange a visit. Work for the visit: bow stick, rosin zones and hand zones, where residue has caked.',
  ],
];

const ALL = SAID.flatMap((said) => (Object.keys(LOGS) as LogAge[]).map((age) => [said, age] as const));

test('the table holds every thread of every case', () => {
  const told = ALL.flatMap(([said, age]) => judged(said, age).threads.map(({ part }) => [part, said, age].join()));
  expect(new Set(TABLE.map(([part, said, age]) => [part, said, age].join()))).toEqual(new Set(told));
  expect(TABLE).toHaveLength(told.length);
});

test.each(TABLE)('%s, %s, %s: %s', (part, said, age, state, sentence) => {
  const { threads, instrument } = judged(said, age);
  const thread = threads.find((each) => each.part === part)!;
  expect([thread.state, reasonFor(thread, instrument, moment)]).toEqual([state, sentence]);
});

test.each(ALL)('%s, %s: the head sentence names what the list below holds, and nothing else', (said, age) => {
  const { threads, log } = judged(said, age);
  const head = headlineFor(byUrgency(threads), null, 0, moment);
  const of = (wanted: Thread['state']) => threads.filter(({ state }) => state === wanted);
  const due = byUrgency(threads).find(({ state }) => state === 'now');
  expect(head.title === 'Ready to play').toBe(due === undefined);
  const names = (those: readonly Thread[]) => those.map(({ part }) => PART_NAMES[part].toLowerCase());
  const sentences = new Map(
    (head.rest ?? '').split('. ').map((each) => each.replace(/\.$/, '').split(': ') as [string, string]),
  );
  const listed = (when: string) => (sentences.get(when) ?? '').split(/, | and /).filter(Boolean);
  expect(new Set(listed('Soon'))).toEqual(new Set(names(of('soon'))));
  expect(new Set(listed('Not known yet'))).toEqual(new Set(names(of('unknown'))));
  expect(new Set(listed('Now'))).toEqual(new Set(names(of('now').filter((thread) => thread !== due))));
  expect(head.unit === 'Nothing is due.').toBe(due === undefined && head.rest === null && log.running === null);
});

test('nothing that is not known is put in figures, and nothing due is dated beyond a lifetime', () => {
  for (const [said, age] of ALL) {
    const { threads, instrument, pace } = judged(said, age);
    for (const thread of threads) {
      const { figures } = workingOf(thread, { pace, instrument, schools, moment });
      const text = [reasonFor(thread, instrument, moment), ...figures.map(([, value]) => value)].join(' ');
      expect(text).not.toMatch(/\b0\.0 h|\b0 min of|1 minute ago|NaN|undefined|null|20[4-9]\d/);
    }
  }
});
