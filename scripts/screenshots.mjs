import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from './lib/chromium.mjs';
import { ROOT } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/**
 * Takes the pictures in docs/screenshots anew, of the demo library. Views of a phone that belong together are laid side by
 * side on a sheet.
 */
const SHEETS = {
  stand: ['now-before', 'opening', 'now-playing', 'working-strings'],
  closing: ['closing-violin', 'closing-cello', 'closing-guitar', 'closing-harp'],
  kit: ['kit', 'instrument', 'set-up', 'residue'],
  bench: ['may-use', 'drill-screw', 'drill-case', 'hands-busy-dark'],
  air: ['air', 'room', 'wood', 'what-to-do'],
  'air-tools': ['salt-check', 'import', 'moving', 'keeping'],
  strings: ['strings-on', 'compare', 'one-broke', 'change-job'],
  year: ['year-phone', 'due-item', 'settle', 'costs'],
  files: ['harp-strings', 'spares', 'calendar-in', 'diary'],
};
const OUT = join(ROOT, 'docs/screenshots');
const SINGLE = mkdtempSync(join(tmpdir(), 'tembrin-pictures-'));
const GAP = 16;

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** One browser looking at a copy of the demo library of its own, with the few moves every tour makes. */
async function visit(browser, url, viewport, colorScheme, walk) {
  const context = await browser.newContext({
    baseURL: url,
    viewport,
    colorScheme,
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  const button = (name) => page.getByRole('button', { name, exact: true });
  const link = (name) => page.getByRole('link', { name });
  const heading = (name) => page.getByRole('heading', { name }).first().waitFor();
  const take = async (name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    const alone = !Object.values(SHEETS).flat().includes(name);
    await page.screenshot({ path: join(alone ? OUT : SINGLE, `${name}.png`) });
  };
  const stand = async (name) => {
    await page.getByRole('button', { name: /is on the stand/ }).click();
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    await page.getByRole('heading', { level: 1, name }).waitFor();
  };
  const now = () => page.getByRole('link', { name: 'Now', exact: true }).click();
  /** Plays a moment and goes so many steps into the closing round. */
  const closing = async (steps) => {
    await page.getByRole('button', { name: 'Start playing', disabled: false }).click();
    await page.getByRole('timer').waitFor();
    await button('Finish').click();
    const knots = page.getByRole('progressbar');
    await knots.waitFor();
    for (let step = 1; step <= steps; step++) {
      await button('Done').click();
      await page.waitForFunction(
        (at) => document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') === at,
        String(step),
      );
    }
  };
  await page.goto('/');
  await button('Look round the demo library').click();
  await page.getByRole('button', { name: 'Start playing', disabled: false }).waitFor({ timeout: 60_000 });
  await walk({ page, button, link, heading, take, stand, now, closing });
  await context.close();
}

async function phone({ page, button, link, heading, take, stand, now, closing }) {
  await take('now-before');
  await link(/^Strings/).click();
  await button('Fitted new strings').waitFor();
  await take('working-strings');
  await now();
  await stand('Bittern');
  await link(/^Before you play/).click();
  await heading('Before you play');
  await take('opening');
  await button('Start playing').click();
  await page.getByRole('timer').waitFor();
  await page.waitForTimeout(1500);
  await take('now-playing');
  await button('Finish').click();
  await button('Later').click();
  for (const [name, steps, picture] of [
    ['Heron', 3, 'closing-violin'],
    ['Plover', 1, 'closing-guitar'],
    ['Tern', 1, 'closing-harp'],
  ]) {
    await stand(name);
    await closing(steps);
    await take(picture);
    await button('Later').click();
  }
  await stand('Bittern');
  await button('Go on with the closing round').click();
  await page.getByRole('progressbar').waitFor();
  for (let step = 0; step < 5; step++) {
    await button('Done').click();
    await page.waitForTimeout(250);
  }
  await take('closing-cello');
  await button('Later').click();
  await stand('Wren');
  await link(/^Residue/).click();
  await page.getByRole('radiogroup', { name: 'Zones' }).waitFor();
  await take('residue');
  await link('Bench').click();
  await link(/^What may I use/).click();
  await page.getByRole('radio', { name: 'Wound strings' }).click();
  await page.getByRole('radio', { name: /^Spirit/ }).click();
  await take('may-use');
  await button('Back').click();
  await link(/^Turn the screw/).click();
  for (let turn = 0; turn < 10; turn++) await button('Tighter').click();
  await take('drill-screw');
  await button('Back').click();
  await link(/^Before the lid shuts/).click();
  await heading('Before the lid shuts');
  await take('drill-case');
  await link('Kit').click();
  await link(/^Wren, Violin 1\/2. Residue/).waitFor({ timeout: 60_000 });
  await take('kit');
  await link(/^Wren/).click();
  await heading('History');
  await take('instrument');
  await link(/^Set-up sheet/).click();
  await heading('Set-up sheet');
  await take('set-up');
}

/** A logger’s file as it stands in the import’s preview. */
function loggerFile() {
  const lines = Array.from({ length: 200 }, (_, hour) => {
    const time = new Date(Date.UTC(2025, 4, 14) + hour * 3_600_000).toISOString();
    return `${time.slice(8, 10)}.${time.slice(5, 7)}.2025 ${time.slice(11, 16)};${(48 + 6 * Math.sin(hour / 9)).toFixed(1)};20,${hour % 10}`;
  });
  return Buffer.from(`Time;Humidity %;Temperature °C\n${lines.join('\n')}\n`);
}

async function air({ page, button, link, heading, take }) {
  const places = () => page.getByRole('link', { name: 'Air', exact: true }).click();
  await places();
  await page.getByRole('list', { name: 'Rooms and cases' }).waitFor({ timeout: 60_000 });
  await take('air');
  await link(/^Over the ovens/).click();
  const chart = page.getByRole('slider', { name: /a year of air/ });
  await chart.waitFor();
  await page.waitForTimeout(1500);
  await chart.press('End');
  for (let day = 0; day < 20; day++) await chart.press('ArrowLeft');
  await take('room');
  await places();
  await link(/^Reading room/).click();
  await link(/^Bittern:/).click();
  await heading('The working');
  await take('wood');
  await button('What to do').click();
  await heading('Airing');
  await take('what-to-do');
  await places();
  await link(/^Hygrometers/).click();
  await link(/^Logger on the shelf/).click();
  await button('Check it over salt').click();
  await page.getByLabel('It shows, in %').fill('73');
  await page.evaluate(() => document.activeElement?.blur());
  await page.mouse.move(200, 300);
  await page.mouse.wheel(0, -4000);
  await take('salt-check');
  await button('Back').click();
  await button('Import a file').click();
  await page
    .getByLabel('The logger’s file')
    .setInputFiles({ name: 'shelf.csv', mimeType: 'text/csv', buffer: loggerFile() });
  await page.getByText('So it would be read').waitFor();
  await page.getByText('So it would be read').scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 300);
  await take('import');
  await places();
  await link(/^Moving between climates/).click();
  await page.getByRole('radiogroup', { name: 'From' }).getByRole('radio', { name: 'Harbour store' }).click();
  await heading(/steps?, done by/).catch(() => heading('Nothing to arrange'));
  await page.getByRole('heading', { level: 2 }).first().scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 400);
  await take('moving');
  await places();
  await link(/^On the way/).click();
  await heading('A parked car');
  await take('keeping');
}

/** A practice diary as it stands in the import's preview. */
function diaryFile() {
  const lines = Array.from({ length: 30 }, (_, day) => {
    const time = new Date(Date.UTC(2025, 0, 3 + day)).toISOString();
    return `${time.slice(8, 10)}/${time.slice(5, 7)}/2025;${day === 11 ? 'rest' : 20 + ((7 * day) % 25)};Wren`;
  });
  return Buffer.from(`Date;Minutes;Instrument\n${lines.join('\n')}\n`);
}

/** Another calendar's performances, around today. */
function calendarFile() {
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

async function strings({ page, button, link, heading, take, stand }) {
  const kit = (name) => async () => {
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    await link(new RegExp(`^${name},`)).click();
    await heading('History');
    await link(new RegExp(`^Strings of ${name}`)).click();
    await page.getByRole('img', { name: /^Pull of each string/ }).waitFor();
  };
  const year = () => page.getByRole('link', { name: 'Year', exact: true }).click();
  const top = () => page.mouse.wheel(0, -4000);
  await kit('Plover')();
  await take('strings-on');
  await link(/^Compare/).click();
  await page.getByRole('radio', { name: /^Medium set/ }).click();
  await page.mouse.move(200, 300);
  await top();
  await take('compare');
  await kit('Tern')();
  await take('harp-strings');
  await link(/^Sets and spares/).click();
  await heading('Spares');
  await take('spares');
  await kit('Heron')();
  await link(/^One broke/).click();
  await page.getByRole('radio', { name: 'E5' }).click();
  await take('one-broke');
  await stand('Heron').catch(() => undefined);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await link(/^Change strings/).click();
  await button('Begin').click();
  for (let step = 0; step < 5; step++) {
    await button('Done, next').click();
    await page.waitForTimeout(250);
  }
  await take('change-job');
  await button('Leave off').click();
  await page.waitForTimeout(9500);
  await kit('Curlew')();
  await link(/^Tune and settle/).click();
  await page.getByText(/rings are your/).waitFor();
  await take('settle');
  await year();
  await page.getByText(/^The next visit to the workshop/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await take('year-phone');
  await page.getByRole('button', { name: /^Heron: rehair/ }).click();
  await button('A month later').click();
  await page.mouse.move(200, 300);
  await top();
  await take('due-item');
  await year();
  await link(/^What it costs/).click();
  await page.getByText(/^in the year ahead/).waitFor();
  await take('costs');
  await year();
  await link(/^In your calendar/).click();
  await page
    .getByLabel('Calendar file')
    .setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: calendarFile() });
  await page.getByRole('list', { name: 'Occasions in the file' }).scrollIntoViewIfNeeded();
  await page.mouse.move(200, 300);
  await page.mouse.wheel(0, 700);
  await take('calendar-in');
  await year();
  await link(/^Out and in again/).click();
  await link(/^Put a practice diary/).click();
  await page
    .getByLabel('Practice diary')
    .setInputFiles({ name: 'diary.csv', mimeType: 'text/csv', buffer: diaryFile() });
  await heading(/sessions/);
  await page.mouse.wheel(0, -4000);
  await take('diary');
}

async function dark({ page, button, take, closing }) {
  await closing(2);
  await button('Hands-busy view').click();
  await page.getByText('Tap anywhere').waitFor();
  await take('hands-busy-dark');
}

async function wide({ page, button, link, heading, take }) {
  await take('now-before-wide');
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('list', { name: 'Rooms and cases' }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(2000);
  await take('air-wide');
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByText(/^The next visit to the workshop/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await take('year-wide');
  await link('Bench').click();
  await heading('Learn');
  await take('bench-wide');
  await link('Kit').click();
  await button('Household and account').click();
  await link(/^Schools/).click();
  await heading('Schools');
  await take('schools-wide');
}

await withThrowaway(async ({ TEMBRIN_URL }) => {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  await visit(browser, TEMBRIN_URL, PHONE, 'light', phone);
  await visit(browser, TEMBRIN_URL, PHONE, 'light', air);
  await visit(browser, TEMBRIN_URL, PHONE, 'light', strings);
  await visit(browser, TEMBRIN_URL, PHONE, 'dark', dark);
  await visit(browser, TEMBRIN_URL, WIDE, 'light', wide);
  for (const [name, pictures] of Object.entries(SHEETS)) await sheet(browser, name, pictures);
  await browser.close();
  rmSync(SINGLE, { recursive: true, force: true });
});

/** Lays pictures side by side on one sheet. */
async function sheet(browser, name, pictures) {
  const width = pictures.length * (PHONE.width + GAP) - GAP;
  const page = await browser.newPage({ viewport: { width, height: PHONE.height } });
  const images = pictures.map(
    (each) => `<img src="data:image/png;base64,${readFileSync(join(SINGLE, `${each}.png`)).toString('base64')}">`,
  );
  await page.setContent(`<body style="margin:0;display:flex;gap:${GAP}px;background:#fff">${images.join('')}</body>`);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  await page.close();
}
