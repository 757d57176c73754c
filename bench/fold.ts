import { conditionOf, foldLog, HOUR_MS, schoolsFor, usualFacts, DAY_MS, type LogEvent } from '@tembrin/core';

/** Folding and forecasting ten years of daily use of one violin, and twice and four times as much. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';
const violin = usualFacts('violin');
const SCHOOLS = schoolsFor('violin');
const ROUNDS = 15;

function tenYears(times: number): LogEvent[] {
  let count = 0;
  const id = () => `00000000-0000-7000-8000-${String(++count).padStart(12, '0')}`;
  const instrumentId = id();
  const events: LogEvent[] = [];
  const add = (type: LogEvent['type'], atMs: number, payload: object) => {
    const time = new Date(atMs).toISOString();
    const event = { id: id(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as LogEvent;
    events.push(event);
    return event.id;
  };
  const days = 3650;
  const perDay = times;
  for (let day = days; day > 0; day--) {
    for (let turn = 0; turn < perDay; turn++) {
      const at = NOW - day * DAY_MS + turn * 2 * HOUR_MS;
      const sessionId = add('session-began', at, {});
      add('session-ended', at + 0.7 * HOUR_MS, { sessionId });
      if (day % 4 !== 0) add('step-done', at + 0.71 * HOUR_MS, { step: 'slacken', sessionId });
      if (day % 9 === 0) add('rosined', at - 60_000, {});
    }
    if (day % 330 === 0) add('strings-fitted', NOW - day * DAY_MS, { strings: null, reason: 'worn', known: true });
    if (day % 700 === 0) add('rehaired', NOW - day * DAY_MS, { reason: 'worn', known: true });
  }
  add('checked-up', NOW - 90 * DAY_MS, { known: true });
  return events;
}

function median(values: number[]): number {
  return values.sort((a, b) => a - b)[values.length >> 1]!;
}

function time(work: () => unknown): number {
  const runs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const began = performance.now();
    work();
    runs.push(performance.now() - began);
  }
  return median(runs);
}

console.log('Folding and forecasting one instrument’s log (median of 15 runs; baseline: JSON.parse of the same log)\n');
let first = 0;
for (const times of [1, 2, 4]) {
  const events = tenYears(times);
  const text = JSON.stringify(events);
  const opening = performance.now();
  conditionOf(violin, foldLog(events, NOW, ZONE), SCHOOLS, NOW - 3650 * DAY_MS);
  const cold = performance.now() - opening;
  const baseline = time(() => JSON.parse(text) as unknown);
  const fold = time(() => conditionOf(violin, foldLog(events, NOW, ZONE), SCHOOLS, NOW - 3650 * DAY_MS));
  if (times === 1) first = fold / events.length;
  const growth = fold / events.length / first;
  console.log(
    `${times}×  ${events.length} events: ${fold.toFixed(1)} ms (first run ${cold.toFixed(1)} ms), ` +
      `${(fold / baseline).toFixed(2)} × baseline; per event ${growth.toFixed(2)} × that of 1×`,
  );
}
