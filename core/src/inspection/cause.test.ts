import { foldLog, type LogEvent } from '../log';
import { scribe } from '../testing/events';
import { NOW } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';
import { LOOK_OVER_DAYS, reasonsToLook, type CauseContext } from './cause';
import { openLookOver } from './look-over';

const ago = (days: number) => NOW - days * DAY_MS;
const { event, session } = scribe();
const place = '00000000-0000-4000-8000-0000000000a1';

const causes = (events: readonly LogEvent[], more: Partial<CauseContext> = {}) =>
  reasonsToLook({ log: foldLog(events, NOW, 'UTC'), air: null, heating: null, ...more }).map(({ cause }) => cause);

/** A look-over that was finished so many days ago, in ten minutes. */
function lookedOver(days: number, extent: 'quick' | 'full' | 'bow' = 'full'): LogEvent[] {
  const began = event('look-over-began', ago(days), { extent, by: 'player' });
  return [began, event('look-over-ended', ago(days) + 600_000, { overId: began.id })];
}

test('nothing asks for a look on an instrument that was looked over a week ago', () => {
  expect(causes(lookedOver(7))).toEqual([]);
});

test('one that nobody ever looked over is offered for it once it is played', () => {
  const played = Array.from({ length: 5 }, (_, day) => session(ago(20 - day), 1)).flat();
  expect(causes(played.slice(0, 8))).toEqual([]);
  expect(causes(played)).toEqual(['never']);
});

test('a few times a year it is time; a quick look does not stand for a whole one', () => {
  expect(causes(lookedOver(LOOK_OVER_DAYS - 1))).toEqual([]);
  expect(causes(lookedOver(LOOK_OVER_DAYS + 1))).toEqual(['time']);
  expect(causes([...lookedOver(LOOK_OVER_DAYS + 1), ...lookedOver(3, 'quick')])).toEqual(['time']);
});

test('a knock, a journey and new strings give cause until somebody has looked', () => {
  const old = lookedOver(60);
  const knock = event('knocked', ago(2), {});
  const journey = [
    event('moved', ago(20), { placeId: null, cased: true }),
    event('moved', ago(10), { placeId: place, cased: true }),
  ];
  const strings = event('strings-fitted', ago(4), { strings: null, reason: 'worn', known: true });
  expect(causes([...old, knock, ...journey, strings])).toEqual(['knock', 'journey', 'strings']);
  expect(causes([...old, knock, ...journey, strings, ...lookedOver(1, 'quick')])).toEqual([]);
  expect(causes([...old, knock, ...lookedOver(1, 'bow')])).toEqual(['knock']);
  // Still away; fitted within the day; said of the past.
  expect(causes([...old, journey[0]!])).toEqual([]);
  expect(causes([...old, event('strings-fitted', NOW - 2 * HOUR_MS, strings.payload)])).toEqual([]);
  expect(causes([...old, event('strings-fitted', ago(4), { ...strings.payload, reason: 'on-record' })])).toEqual([]);
  // Long past, nobody asks for it any more.
  expect(causes([...lookedOver(110), event('knocked', ago(100), {})])).toEqual([]);
});

test('air that is out gives cause, once a month', () => {
  const air = { verdict: { state: 'act' as const, side: 'dry' as const } };
  expect(causes(lookedOver(40), { air })).toEqual(['dry']);
  expect(causes(lookedOver(20), { air })).toEqual([]);
  expect(causes(lookedOver(40), { air: { verdict: { state: 'watch', side: 'dry' } } })).toEqual([]);
});

test('the turn of the heating season gives cause for some weeks', () => {
  // NOW is the first of June: with heating until May, the season has just turned.
  expect(causes(lookedOver(40), { heating: { from: 10, to: 5 } })).toEqual(['season']);
  expect(causes(lookedOver(70), { heating: { from: 10, to: 3 } })).toEqual([]);
});

test('one that is under way can be taken up for half a day', () => {
  const began = event('look-over-began', NOW - HOUR_MS, { extent: 'quick', by: 'player' });
  expect(openLookOver(foldLog([began], NOW, 'UTC'))?.eventId).toBe(began.id);
  expect(openLookOver(foldLog([began], NOW + 13 * HOUR_MS, 'UTC'))).toBeNull();
  expect(openLookOver(foldLog([began, event('look-over-ended', NOW, { overId: began.id })], NOW, 'UTC'))).toBeNull();
});
