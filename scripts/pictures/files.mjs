/** A logger’s file as it stands in the import’s preview. */
export function loggerFile() {
  const lines = Array.from({ length: 200 }, (_, hour) => {
    const time = new Date(Date.UTC(2025, 4, 14) + hour * 3_600_000).toISOString();
    return `${time.slice(8, 10)}.${time.slice(5, 7)}.2025 ${time.slice(11, 16)};${(48 + 6 * Math.sin(hour / 9)).toFixed(1)};20,${hour % 10}`;
  });
  return Buffer.from(`Time;Humidity %;Temperature °C\n${lines.join('\n')}\n`);
}

/** A practice diary as it stands in the import's preview. */
export function diaryFile() {
  const lines = Array.from({ length: 30 }, (_, day) => {
    const time = new Date(Date.UTC(2025, 0, 3 + day)).toISOString();
    return `${time.slice(8, 10)}/${time.slice(5, 7)}/2025;${day === 11 ? 'rest' : 20 + ((7 * day) % 25)};Wren`;
  });
  return Buffer.from(`Date;Minutes;Instrument\n${lines.join('\n')}\n`);
}

/** Another calendar's performances, around today. */
export function calendarFile() {
  const day = (days) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  const event = (uid, summary, from, rest = []) => [
    'BEGIN:VEVENT',
    `UID:${uid}`,
    `DTSTART;VALUE=DATE:${day(from)}`,
    ...rest,
    `SUMMARY:${summary}`,
    'END:VEVENT',
  ];
  return Buffer.from(
    [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      ...event('a', 'Harbour orchestra', 4, ['RRULE:FREQ=WEEKLY;COUNT=20']),
      ...event('b', 'Lighthouse concert', 52),
      ...event('c', 'Away by the sea', 140, [`DTEND;VALUE=DATE:${day(152)}`]),
      'END:VCALENDAR',
    ].join('\r\n'),
  );
}
