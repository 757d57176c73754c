import type { Instrument } from '@tembrin/contract';
import { changeWords, forceWords, gaugeWords } from './amounts';
import { readGauge } from './typed';
import {
  brokenWords,
  centsWords,
  chartNames,
  loadWords,
  makeUpWords,
  noteNames,
  sinceNewWords,
  tradeMarks,
} from './strings';
import { plainString, usualFacts, woundString } from '@tembrin/core/instruments';
import type { LoadVerdict } from '@tembrin/core/strings';

const instrument = (family: 'violin' | 'guitar' | 'harp'): Instrument => ({
  ...usualFacts(family),
  id: '11111111-1111-4111-8111-111111111111',
  name: 'Heron',
  addedAt: '2026-01-01T00:00:00.000Z',
  version: 1,
});
const DAY_MS = 86_400_000;

test('gauges are read as packets write them, and written back', () => {
  // Exact by definition: an inch is 25.4 mm. Whole numbers from seven up are thousandths of an inch: common practice.
  expect([readGauge('0.26'), readGauge('0,26 mm'), readGauge('.012'), readGauge('12'), readGauge('.0105 in')]).toEqual([
    0.26, 0.26, 0.3048, 0.3048, 0.2667,
  ]);
  expect([readGauge('thin'), readGauge('')]).toEqual([null, null]);
  expect([gaugeWords(0.26, 'mm'), gaugeWords(0.3048, 'in'), gaugeWords(1.3462, 'in')]).toEqual([
    '0.26 mm',
    '.012 in',
    '.053 in',
  ]);
});

test('pulls in three units, changes with their sign', () => {
  expect([forceWords(78, 'N'), forceWords(78, 'kgf'), forceWords(78, 'lbf'), forceWords(720, 'lbf')]).toEqual([
    '78 N',
    '8.0 kgf',
    '17.5 lbf',
    '162 lbf',
  ]);
  expect([changeWords(0.163), changeWords(-0.2), changeWords(0.004), changeWords(0)]).toEqual([
    '+16 %',
    '−20 %',
    '+0.4 %',
    '0 %',
  ]);
});

test('strings by their make-up and their names', () => {
  expect(makeUpWords(plainString('steel', 0.26), 'mm')).toBe('Steel, plain, 0.26 mm');
  expect(makeUpWords({ ...woundString('synthetic', 'silver', 0.8), coated: true }, 'in')).toBe(
    'Synthetic core, silver, coated, .0315 in',
  );
  expect(makeUpWords(null, 'mm')).toBe('not described');
  expect(noteNames(instrument('violin'))).toEqual(['G3', 'D4', 'A4', 'E5']);
  expect(noteNames(instrument('harp'))[0]).toBe('C, octave 6');
  expect(chartNames(instrument('harp'))[0]).toBe('34');
  expect([centsWords(-12.34), centsWords(5), centsWords(0.2)]).toEqual(['12 cents flat', '5.0 cents sharp', 'in tune']);
});

test('every verdict and every reason is a sentence', () => {
  const sentence = /^[A-Z].*[.!]$/;
  for (const verdict of ['unknown', 'same', 'look', 'set-up'] satisfies LoadVerdict[])
    for (const family of ['violin', 'guitar', 'harp'] as const)
      for (const change of [0.1, -0.1, null]) expect(loadWords(verdict, change, family)).toMatch(sentence);
  expect(loadWords('set-up', 0.09, 'guitar')).toMatch(/more relief.*plan a set-up/);
  expect(loadWords('set-up', -0.09, 'guitar')).toMatch(/less relief/);
  expect(loadWords('look', 0.05, 'harp')).toMatch(/soundboard/);
  for (const reason of [
    { code: 'others-fresh', days: 9 },
    { code: 'others-half', wear: 0.3 },
    { code: 'others-old', days: 240, wear: 0.8 },
    { code: 'others-unknown' },
    { code: 'fretted', days: 40 },
    { code: 'each-alone' },
    { code: 'performance', days: 0, settleDays: 8 },
    { code: 'performance', days: 7, settleDays: 8 },
    { code: 'spare', what: 'one' },
    { code: 'no-spare', what: 'set' },
  ] as const)
    expect(brokenWords(reason)).toMatch(sentence);
});

test('the trade’s marks on the thread are its own ages', () => {
  // Handbook 4: bowed strings 6 to 12 months, guitars 3 to 6 and past 2 to 3 weeks.
  const days = (family: 'violin' | 'guitar' | 'harp') => tradeMarks(family, 0).map((at) => Math.round(at / DAY_MS));
  expect([days('violin'), days('guitar'), days('harp')]).toEqual([[183, 365], [21, 91, 183], []]);
  for (const family of ['violin', 'guitar', 'harp'] as const)
    for (const age of [1, 20, 100, 400]) expect(sinceNewWords(family, age * DAY_MS)).toMatch(/\.$/);
});
