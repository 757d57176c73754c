import { assess, closingRound, DAY_MS, foldLog, openingRound, schoolsFor, usualFacts } from '@tembrin/core';
import { median, tenYears } from './log';

/** Composing the opening and the closing round from a log that is folded already, on ten years of daily use. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ROUNDS = 60;
/** How much slower a phone of some years is than the machine this runs on; the budget is for the phone. */
const PHONE = 4;
const BUDGET_MS = 5;

const facts = usualFacts('violin');
const schools = schoolsFor('violin');
const events = tenYears(1, NOW);
const log = foldLog(events, NOW, 'Europe/Lisbon');
const situation = assess(facts, log, { schools, observedFrom: NOW - 3650 * DAY_MS });
const text = JSON.stringify(events.slice(0, 500));

function time(work: () => unknown): number {
  const runs = Array.from({ length: ROUNDS }, () => {
    const began = performance.now();
    work();
    return performance.now() - began;
  });
  return median(runs);
}

console.log('Composing the rounds of one instrument (median of 60 runs; baseline: JSON.parse of 500 events)\n');
const first = performance.now();
closingRound(situation);
openingRound(situation);
const cold = performance.now() - first;
const baseline = time(() => JSON.parse(text) as unknown);
for (const [name, work] of [
  ['closing', () => closingRound(situation)],
  ['opening', () => openingRound(situation)],
] as const) {
  const took = time(work);
  console.log(
    `${name}: ${took.toFixed(2)} ms, ${(took / baseline).toFixed(2)} × baseline; ` +
      `on a phone ${PHONE} times slower ${(took * PHONE).toFixed(2)} of ${BUDGET_MS} ms`,
  );
}
console.log(`both, the first time: ${cold.toFixed(1)} ms`);
