import { byUrgency, type InstrumentAir } from '.';
import { assess } from '../assess';
import { airOfStays, airVerdict, staysOf } from '../air/index';
import { usualFacts } from '../instruments/index';
import { foldLog, type LogEvent } from '../log/index';
import { dailySessions, scribe } from '../testing/events';
import { DAY_MS, HOUR_MS } from '../time/index';
import type { AirHour } from '../air';
import { schoolsFor } from '../instruments';

const NOW = Date.UTC(2026, 9, 20, 12);
const facts = usualFacts('violin');
const { event } = scribe();

function airWith(rh: number, heating: InstrumentAir['heating'] = null): InstrumentAir {
  const hours: AirHour[] = Array.from({ length: 300 * 24 }, (_, index) => ({
    at: NOW - (300 * 24 - index) * HOUR_MS,
    rh,
    low: rh,
    high: rh,
    tempC: 20,
  }));
  const places = [{ id: 'room', kind: 'room' as const, roomId: null }];
  const stays = staysOf([{ at: 0, placeId: 'room', cased: false }], places, () => true, NOW);
  const air = airOfStays(stays, () => ({ days: [], hours }));
  return {
    verdict: airVerdict({ facts, school: 'A', air, steady: null, ahead: [], nowMs: NOW }),
    samples: hours,
    holdMs: 36 * HOUR_MS,
    heating,
  };
}
const judge = (events: LogEvent[], air: InstrumentAir | null) =>
  assess(facts, foldLog(events, NOW, 'UTC'), { schools: schoolsFor('violin'), observedFrom: NOW - 300 * DAY_MS, air })
    .threads;
const part = (threads: ReturnType<typeof judge>, id: string) => threads.find((thread) => thread.part === id)!;

const strings = event('strings-fitted', NOW - 200 * DAY_MS, { strings: null, reason: 'worn', known: true });
const hair = event('rehaired', NOW - 200 * DAY_MS, { reason: 'worn', known: true });
// Ids of their own, beside those of the sessions.
const own = (each: LogEvent, at: number): LogEvent => ({ ...each, id: `00000000-0000-4000-9000-00000000000${at}` });
const events = [own(strings, 1), own(hair, 2), ...dailySessions('2026-04-10', 190, 0.5)];

test('strings and hair that lived in damp air are due sooner, in ordinary air as ever', () => {
  const plain = judge(events, null);
  for (const id of ['strings', 'hair']) {
    const [usual, damp, fine] = [plain, judge(events, airWith(0.7)), judge(events, airWith(0.5))].map(
      (threads) => part(threads, id).window!.middle,
    );
    expect(damp!).toBeLessThan(usual! - 3 * DAY_MS);
    expect(fine).toBe(usual);
  }
  const aired = part(judge(events, airWith(0.7)), 'strings');
  expect(aired).toMatchObject({ clock: { toll: { damp: 1, factor: 1.5 } } });
});

test('a checkup near the turn of the heating season is moved to it, within its own window', () => {
  const checked = event('checked-up', Date.UTC(2026, 3, 12), { known: true });
  const moved = part(judge([checked], airWith(0.5, { from: 10, to: 4 })), 'checkup');
  // Half a year from 12 April is 12 October; the heating comes on on the first.
  expect(moved).toMatchObject({ turn: 'start', window: { middle: Date.UTC(2026, 9, 1) } });
  const far = part(judge([checked], airWith(0.5, { from: 12, to: 2 })), 'checkup');
  expect(far).toMatchObject({ turn: null, window: { middle: Date.UTC(2026, 9, 12) } });
});

test('the air is a thread of its own where it is read, and the last among equals', () => {
  expect(judge(events, null).some((thread) => thread.part === 'air')).toBe(false);
  const act = byUrgency(judge(events, airWith(0.3)));
  expect(act.find((thread) => thread.part === 'air')).toMatchObject({ state: 'now', verdict: { state: 'act' } });
  expect(part(judge(events, airWith(0.5)), 'air').state).toBe('well');
});
