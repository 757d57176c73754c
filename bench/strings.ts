import {
  assess,
  compareStrung,
  DAY_MS,
  detectPitch,
  foldLog,
  openStrings,
  pluckedString,
  presetsFor,
  schoolsFor,
  setPull,
  usualFacts,
  windowSamples,
  type LogEvent,
} from '@tembrin/core';
import { median, tenYears } from './log';

/** Tension of sets, learning and windows of a large cupboard, and whether pitch keeps up with the sound. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');

function time(work: () => unknown, rounds: number): number {
  const runs = Array.from({ length: rounds }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return median(runs);
}

console.log('Strings (medians; baseline: JSON.parse of 500 events)\n');
const text = JSON.stringify(tenYears(1, NOW).slice(0, 500));
const baseline = time(() => JSON.parse(text) as unknown, 60);

const guitar = usualFacts('guitar');
const open = openStrings(guitar);
const [light, medium] = presetsFor(guitar, open);
const strung = (set: typeof light) => open.map((string, at) => ({ ...string, spec: set!.strings[at]! }));
const [old, next] = [strung(light), strung(medium)];
const SETS = 10_000;
const pulls = time(() => {
  for (let at = 0; at < SETS; at++) setPull(old);
}, 7);
const compares = time(() => {
  for (let at = 0; at < SETS; at++) compareStrung(guitar, old, next);
}, 7);
console.log(
  `tension of ${SETS} sets: ${pulls.toFixed(1)} ms, ${(pulls / baseline).toFixed(0)} × baseline; compared: ${compares.toFixed(1)} ms`,
);

const INSTRUMENTS = 200;
const violin = usualFacts('violin');
const schools = schoolsFor('violin');
const fittings = Array.from({ length: 18 }, (_, at): LogEvent => {
  const time_ = new Date(NOW - (3500 - at * 195) * DAY_MS).toISOString();
  return {
    id: `00000000-0000-4000-a000-${String(at).padStart(12, '0')}`,
    instrumentId: '00000000-0000-4000-8000-0000000000ff',
    type: 'strings-fitted',
    occurredAt: time_,
    recordedAt: time_,
    payload: { strings: null, reason: at % 4 === 3 ? 'broke' : 'worn', known: true },
  };
});
const log = foldLog([...tenYears(1, NOW), ...fittings], NOW, 'Europe/Lisbon');
const began = performance.now();
for (let at = 0; at < INSTRUMENTS; at++) assess(violin, log, { schools, observedFrom: NOW - 3650 * DAY_MS });
const learnt = performance.now() - began;
console.log(
  `learning and windows of ${INSTRUMENTS} instruments with ten years each: ${learnt.toFixed(0)} ms, ` +
    `${(learnt / INSTRUMENTS).toFixed(2)} ms an instrument, ${(learnt / INSTRUMENTS / baseline).toFixed(1)} × baseline`,
);

const RATE = 48_000;
const shares = [41.2, 196, 659.3, 3136].map((hz) => {
  const samples = pluckedString({ hz, sampleRate: RATE, seconds: 0.4 }).slice(0, windowSamples(RATE));
  const took = time(() => detectPitch(samples, RATE), 40);
  // A stretch lasts so long; one is looked at after another.
  return { hz, took, share: took / ((windowSamples(RATE) / RATE) * 1000) };
});
for (const { hz, took, share } of shares)
  console.log(
    `pitch at ${hz} Hz: ${took.toFixed(2)} ms a stretch, ${(share * 100).toFixed(1)} % of one core in real time (limit 25)`,
  );
