import { calendarText, type CalendarEntry } from './calendar-write';

const entry = (more: Partial<CalendarEntry> = {}): CalendarEntry => ({
  uid: 'strings-1@tembrin',
  sequence: 2,
  stampedAt: new Date('2026-06-01T12:00:00.000Z'),
  cancelled: false,
  facts: {
    title: 'Heron, the elder; spare: new strings',
    text: 'Due between 3 May and 20 Aug; planned for 1 Jul, the middle of that.\nDone by: yourself. — Ölé, ölé, ölé, ölé, ölé, ölé, ölé',
    overdue: false,
    day: 20_635,
    alarmAt: Date.parse('2026-07-01T08:00:00.000Z'),
  },
  ...more,
});

/** Read by hand, as RFC 5545 says: content lines end with CRLF, and one that begins with a space goes on the one before. */
function linesOf(text: string): string[] {
  expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  return text.replaceAll('\r\n ', '').trimEnd().split('\r\n');
}

test('text is escaped wherever it stands, long lines are folded between characters, and the last line ends', () => {
  // Published: RFC 5545, sections 3.1 and 3.3.11.
  const lines = linesOf(calendarText('Quay; side, \\ library: upkeep', [entry()], true));
  expect(lines).toContain('NAME:Quay\\; side\\, \\\\ library: upkeep');
  expect(lines).toContain('X-WR-CALNAME:Quay\\; side\\, \\\\ library: upkeep');
  expect(lines).toContain('SUMMARY:Heron\\, the elder\\; spare: new strings');
  expect(lines.find((line) => line.startsWith('DESCRIPTION:Due'))).toContain('\\nDone by: yourself. — Ölé\\, ölé');
});

test('one whole day; properties before the alarm, each once; a method only where it is published', () => {
  const lines = linesOf(calendarText('Ours', [entry()], true));
  expect(lines.slice(0, 3)).toEqual(['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Tembrin//Upkeep//EN']);
  expect(lines).toContain('DTSTART;VALUE=DATE:20260701');
  expect(lines).toContain('DTEND;VALUE=DATE:20260702');
  expect(lines).toContain('TRIGGER;VALUE=DATE-TIME:20260701T080000Z');
  const event = lines.slice(lines.indexOf('BEGIN:VEVENT') + 1, lines.indexOf('END:VEVENT'));
  const alarm = event.indexOf('BEGIN:VALARM');
  const names = event.slice(0, alarm).map((line) => line.split(/[:;]/)[0]!);
  expect(new Set(names).size).toBe(names.length);
  for (const needed of ['UID', 'DTSTAMP', 'DTSTART', 'SUMMARY', 'STATUS', 'SEQUENCE']) expect(names).toContain(needed);
  expect(event.at(-1)).toBe('END:VALARM');
  expect(lines).toContain('METHOD:PUBLISH');
  expect(linesOf(calendarText('Ours', [entry()], false))).not.toContain('METHOD:PUBLISH');
});

test('what is cancelled says so and rings no more; with nothing due it is a calendar all the same', () => {
  const gone = linesOf(calendarText('Ours', [entry({ cancelled: true })], true));
  expect(gone).toContain('STATUS:CANCELLED');
  expect(gone).not.toContain('BEGIN:VALARM');
  // Published: RFC 5545, section 3.6: at least one component.
  const empty = linesOf(calendarText('Ours', [], true));
  expect(empty.filter((line) => line.startsWith('BEGIN:')).length).toBeGreaterThan(1);
  expect(empty).not.toContain('BEGIN:VEVENT');
});
