import { assess, DAY_MS, foldLog, schoolsFor, usualFacts } from '@tembrin/core';
import { median, tenYears } from './log';

/** Folding and forecasting ten years of daily use of one violin, and twice and four times as much. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';
const violin = usualFacts('violin');
const SCHOOLS = schoolsFor('violin');
const ROUNDS = 15;
/** Rounds after which the engine has made of the code what it will: they are not counted. */
const WARMING = 15;

function time(work: () => unknown): number {
  for (let round = 0; round < WARMING; round++) work();
  const runs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const began = performance.now();
    work();
    runs.push(performance.now() - began);
  }
  return median(runs);
}

console.log(
  'Folding and forecasting one instrument’s log (median of 15 runs once warm; baseline: JSON.parse of the same log)\n',
);
// A browser has told a time before it folds anything; here it is told apart from the fold.
const began = performance.now();
new Intl.DateTimeFormat('en', { timeZone: 'UTC' }).format(NOW);
console.log(`The runtime’s first date: ${(performance.now() - began).toFixed(1)} ms, of whatever zone\n`);
let first = 0;
for (const times of [1, 2, 4]) {
  const events = tenYears(times, NOW);
  const text = JSON.stringify(events);
  const opening = performance.now();
  assess(violin, foldLog(events, NOW, ZONE), { schools: SCHOOLS, observedFrom: NOW - 3650 * DAY_MS });
  const cold = performance.now() - opening;
  const baseline = time(() => JSON.parse(text) as unknown);
  const fold = time(() =>
    assess(violin, foldLog(events, NOW, ZONE), { schools: SCHOOLS, observedFrom: NOW - 3650 * DAY_MS }),
  );
  if (times === 1) first = fold / events.length;
  const growth = fold / events.length / first;
  console.log(
    `${times}×  ${events.length} events: ${fold.toFixed(1)} ms, ${(fold / baseline).toFixed(2)} × baseline; ` +
      `per event ${growth.toFixed(2)} × that of 1×`,
  );
  if (times === 1) console.log(`1×  cold: ${cold.toFixed(1)} ms, ${(cold / baseline).toFixed(2)} × baseline`);
}
