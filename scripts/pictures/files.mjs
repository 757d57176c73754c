import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../lib/project.mjs';

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

/**
 * A photograph of a bow, or of a bridge, beside a card, rendered, as a camera would hand it over.
 * @param more its seed, and `bridge`
 */
export async function renderedPhoto(page, seed = 2, ...more) {
  const raw = join(tmpdir(), `tembrin-bow-${process.pid}.json`);
  execFileSync(process.execPath, [
    '--import',
    'tsx',
    join(ROOT, 'scripts/pictures/photograph.mjs'),
    raw,
    String(seed),
    '1280',
    ...more,
  ]);
  const { grey, left } = JSON.parse(readFileSync(raw, 'utf8'));
  rmSync(raw);
  const encoded = await page.evaluate((shades) => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1280, height: 960 });
    const context = canvas.getContext('2d');
    const pixels = context.createImageData(1280, 960);
    // As by the light of a lamp.
    [...atob(shades)].forEach((each, at) => {
      const shade = each.charCodeAt(0);
      pixels.data.set([shade, shade * 0.94, shade * 0.84, 255], at * 4);
    });
    context.putImageData(pixels, 0, 0);
    return canvas.toDataURL('image/jpeg', 0.9).split(',')[1];
  }, grey);
  return { left, file: { name: 'bow.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(encoded, 'base64') } };
}
