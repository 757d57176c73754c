import { assess, DAY_MS, foldLog, schoolsFor, usualFacts, type LogEvent } from '@tembrin/core';
import { tenYears } from './log';
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const violin = usualFacts('violin'); const schools = schoolsFor('violin');
const fittings = Array.from({ length: 18 }, (_, at): LogEvent => {
  const time_ = new Date(NOW - (3500 - at * 195) * DAY_MS).toISOString();
  return { id: `00000000-0000-4000-a000-${String(at).padStart(12, '0')}`, instrumentId: '00000000-0000-4000-8000-0000000000ff', type: 'strings-fitted', occurredAt: time_, recordedAt: time_, payload: { strings: null, reason: at % 4 === 3 ? 'broke' : 'worn', known: true } } as LogEvent;
});
const events = [...tenYears(1, NOW), ...fittings];
const mode = process.argv[2];
if (mode === 'learn') {
  const log = foldLog(events, NOW, 'Europe/Lisbon');
  const runs: number[] = [];
  for (let i = 0; i < 300; i++) { const b = performance.now(); assess(violin, log, { schools, observedFrom: NOW - 3650 * DAY_MS }); runs.push(performance.now() - b); }
  console.log('first', runs.slice(0, 5).map((x) => x.toFixed(1)).join(' '), 'median late', runs.slice(100).sort((a, b) => a - b)[100]!.toFixed(2));
} else {
  const plain = tenYears(1, NOW); const text = JSON.stringify(plain);
  const runs: number[] = []; const j: number[] = [];
  for (let i = 0; i < 60; i++) { const b = performance.now(); assess(violin, foldLog(plain, NOW, 'Europe/Lisbon'), { schools, observedFrom: NOW - 3650 * DAY_MS }); runs.push(performance.now() - b); const c = performance.now(); JSON.parse(text); j.push(performance.now() - c); }
  console.log('first', runs.slice(0, 8).map((x) => x.toFixed(1)).join(' '), 'median late', runs.slice(20).sort((a, b) => a - b)[20]!.toFixed(2), 'json', j.sort((a, b) => a - b)[30]!.toFixed(2));
}
