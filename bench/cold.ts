import { assess, DAY_MS, foldLog, schoolsFor, usualFacts, type LogEvent } from '@tembrin/core';
import { tenYears } from './log';

/** One fold and forecast in a process that has done nothing before, as when the app is opened; prints how long it took, ms. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const violin = usualFacts('violin');
const schools = schoolsFor('violin');
const text = JSON.stringify(tenYears(1, NOW));
const parsing = performance.now();
const events = JSON.parse(text) as LogEvent[];
const parsed = performance.now() - parsing;
// A browser has told a time before it folds anything: the runtime's first date is told apart from the fold.
const telling = performance.now();
new Intl.DateTimeFormat('en', { timeZone: 'UTC' }).format(NOW);
const told = performance.now() - telling;
const folding = performance.now();
assess(violin, foldLog(events, NOW, 'Europe/Lisbon'), { schools, observedFrom: NOW - 3650 * DAY_MS });
console.log(JSON.stringify({ events: events.length, parsed, told, folded: performance.now() - folding }));
