import { effectsWords, verdictSentence } from './air';
import { airSchoolWords, faultWords, refillWords, verdictFigures } from './air-working';
import { becauseWords } from './because';
import { waterWords } from './amounts';
import { humidityWords, movementWords, temperatureWords } from './measures';
import { readTemperature } from './typed';
import { readNumber } from './numbers';
import { airOfStays, airVerdict, EFFECTS, staysOf, type AirHour, type SensorFault } from '@tembrin/core/air';
import { assess } from '@tembrin/core/assess';
import { foldLog } from '@tembrin/core/log';
import { HOUR_MS } from '@tembrin/core/time';
import { openingRound, packingRound } from '@tembrin/core/routines';
import { schoolsFor, usualFacts, type Family } from '@tembrin/core/instruments';
import type { InstrumentAir } from '@tembrin/core/parts';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const moment = { nowMs: NOW, timeZone: 'UTC' };
const PLACES = [{ id: 'room', kind: 'room' as const, roomId: null }];

function airWith(rh: (hoursAgo: number) => number, family: Family = 'violin', days = 40): InstrumentAir {
  const hours: AirHour[] = Array.from({ length: days * 24 }, (_, index) => {
    const ago = days * 24 - index;
    return { at: NOW - ago * HOUR_MS, rh: rh(ago), low: rh(ago), high: rh(ago), tempC: 20 };
  });
  const stays = staysOf([{ at: 0, placeId: 'room', cased: false }], PLACES, () => true, NOW);
  const air = airOfStays(stays, () => ({ days: [], hours }));
  const facts = usualFacts(family);
  const school = schoolsFor(family).air;
  const verdict = airVerdict({ facts, school, air, steady: null, ahead: [], nowMs: NOW });
  return { verdict, samples: hours, holdMs: 36 * HOUR_MS, heating: { from: 10, to: 4 } };
}
const sentence = (air: InstrumentAir, family: Family = 'violin') =>
  verdictSentence(air.verdict, usualFacts(family), moment, 'mm');

test('a verdict is one sentence about the wood, with its figures', () => {
  expect(sentence(airWith((ago) => (ago < 14 * 24 ? 0.28 : 0.5)))).toMatch(
    /^Too dry: the top has shrunk by 1\.\d\d mm\. Its wood stands where \d\d % would hold it, outside 40 to 60 %\. Look for pegs that slip/,
  );
  expect(
    sentence(
      airWith(() => 0.72),
      'guitar',
    ),
  ).toMatch(/^Too damp: the top has swollen by .* high action/);
  expect(sentence(airWith(() => 0.5))).toBe('Its wood stands where 50 % would hold it, within 40 to 60 %.');
  expect(sentence(airWith((ago) => (ago < 28 ? 0.36 : 0.44)))).toMatch(
    /^Getting dry: .* about \d+ Jun, if the air stays/,
  );
});

test('the working names the band, the drift and every part', () => {
  const air = airWith(() => 0.35);
  const rows = Object.fromEntries(verdictFigures(air.verdict, usualFacts('cello'), moment, 'in'));
  expect(rows).toMatchObject({ Verdict: 'Act today', Band: '40 to 60 %' });
  expect(Object.keys(rows).filter((label) => label.includes('in of'))).toHaveLength(4);
  expect(airSchoolWords(air.verdict)).toMatch(/School A/);
  expect(airSchoolWords(airWith(() => 0.5, 'harp').verdict)).toMatch(/School C, steadiness/);
});

test('every effect and every fault of a hygrometer has words that say what to do', () => {
  expect(effectsWords(EFFECTS).split(', ').length).toBe(EFFECTS.length - 1);
  const faults: SensorFault[] = [
    { code: 'stuck', hours: 50, rh: 0.5 },
    { code: 'absurd', rh: 0.01 },
    { code: 'silent', lastAt: NOW - 30 * HOUR_MS },
    { code: 'battery', percent: 8 },
  ];
  for (const fault of faults) expect(faultWords(fault, moment)).toMatch(/[a-z]\.$/);
});

test('air warns in the opening round and before the way', () => {
  const facts = usualFacts('violin');
  const log = foldLog([], NOW, 'UTC');
  const schools = schoolsFor('violin');
  const air = airWith((ago) => (ago < 13 * 24 ? 0.27 : 0.55));
  const situation = assess(facts, log, { schools, observedFrom: NOW - 300 * 24 * HOUR_MS, air });
  const said = openingRound(situation).flatMap(({ because }) => (because ? [becauseWords(because)] : []));
  expect(said.find((words) => words.includes('pegs will slip'))).toBeDefined();
  expect(said.find((words) => /^Its wood is dry, as at \d\d %/.test(words))).toBeDefined();
  const car = (outdoorsC: number | null) =>
    packingRound(situation, outdoorsC).flatMap(({ because }) => (because ? [becauseWords(because)] : []));
  expect(car(24)).toEqual(['24 °C outside makes about 46 °C in a parked car; glue softens from 45 °C.']);
  expect(car(2)[0]).toMatch(/leave the case closed/);
  expect([car(10), car(null)]).toEqual([[], []]);
});

test('figures of air in the units chosen', () => {
  expect(humidityWords(0.456, 1)).toBe('45.6 %');
  expect([temperatureWords(20.5, 'C'), temperatureWords(20.5, 'F'), temperatureWords(-4, 'C', 0)]).toEqual([
    '20.5 °C',
    '69 °F',
    '−4 °C',
  ]);
  expect([movementWords(-0.95, 'mm'), movementWords(-0.95, 'in')]).toEqual(['−0.95 mm', '−0.037 in']);
  expect([waterWords(4.2), waterWords(430), waterWords(1320)]).toEqual(['4.2 g', '430 g', '1.3 kg']);
  expect([refillWords(8), refillWords(49)]).toEqual(['every 8 hours', 'every 2 days']);
  expect([readNumber(' 45,5 '), readNumber('−3'), readNumber('dry'), readNumber('')]).toEqual([45.5, -3, null, null]);
  expect(readTemperature('68', 'F')).toBeCloseTo(20, 6);
  expect(readTemperature('200', 'C')).toMatch(/Check the unit/);
  expect(readTemperature('warm', 'C')).toMatch(/as a number/);
});
