import { readFileSync } from 'node:fs';
import { addInstrument, expect, openDemo, signUp, test } from '../fixtures';
import type { Page } from '@playwright/test';

const LISBON = { timeZone: 'Europe/Lisbon' };
const dayFrom = (days: number) => new Date(Date.now() + days * 86_400_000);
/** A date as a calendar file writes it. */
const calendarDate = (days: number) => dayFrom(days).toLocaleDateString('sv-SE', LISBON).replaceAll('-', '');

async function open(page: Page, link: RegExp): Promise<void> {
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByRole('link', { name: link }).click();
}

test('a parent brings a practice diary in: what is unsure is asked, faults are told by line, the rest is on record', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await open(page, /^Out and in again/);
  await page.getByRole('link', { name: /^Put a practice diary/ }).click();
  const choose = (name: string, text: string | Buffer) =>
    page.getByLabel('Practice diary').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

  await choose('notes.txt', 'only words\nno columns at all');
  await expect(page.getByText(/No table can be made out/)).toBeVisible();
  await choose('large.csv', 'x'.repeat(5_200_000));
  await expect(page.getByText(/5\.2 MB; at most 4\.0 MB/)).toBeVisible();

  // Dates of which none tells day from month.
  const text = [
    'When;Minutes;What',
    '03/02/2026;25;scales',
    '04/02/2026;30;a waltz',
    '05/02/2026;soon;nothing',
    '06/02/2026;20;scales',
  ].join('\n');
  await choose('diary.csv', text);
  await expect(page.getByText('They can be read in more than one way. Which comes first?')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Answer what is asked' })).toBeDisabled();
  await page
    .getByRole('radiogroup', { name: 'Dates are written as' })
    .getByRole('radio', { name: 'Day, month, year' })
    .click();
  await expect(page.getByRole('heading', { name: '3 sessions, 75 min' })).toBeVisible();
  await expect(page.getByRole('row', { name: 'Violin 3 Feb 25 min' })).toBeVisible();
  await expect(
    page.getByRole('row', { name: /^Line 4: 05\/02\/2026; soon; nothing How long was played/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Put 3 sessions on record' }).click();
  await expect(page.getByText('3 sessions are on record.')).toBeVisible();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await expect(page.getByText(/1\.3 h played in 3 sessions on record/)).toBeVisible();

  // The same diary again is harmless.
  await open(page, /^Out and in again/);
  await page.getByRole('link', { name: /^Put a practice diary/ }).click();
  // As a spreadsheet of another system writes it.
  await choose('diary.csv', Buffer.from(`\ufeff${text}`, 'utf16le'));
  await page.getByRole('radio', { name: 'Day, month, year' }).click();
  await page.getByRole('button', { name: 'Put 3 sessions on record' }).click();
  await expect(page.getByText('0 sessions are on record; 3 were already.')).toBeVisible();
});

test('the year: moving an item tells what it costs, and a visit gathers what the workshop does', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await expect(page.getByText(/^The next visit to the workshop: .* in one trip\.$/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: /^Heron: rehair/ }).click();
  const says = page.getByText(/the chance that it is spent by then goes from (\d+) % to (\d+) %/);
  await page.getByRole('button', { name: 'A month later' }).click();
  await expect(says).toBeVisible();
  const [, before, after] = /from (\d+) % to (\d+) %/.exec((await says.textContent()) ?? '') ?? [];
  expect(Number(after)).toBeGreaterThan(Number(before));
  await page.getByRole('button', { name: /^Plan it for/ }).click();
  await expect(page.getByText(/as you set it\. Done by: workshop/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it to the rule' }).click();
  await expect(page.getByText(/as you set it/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/as you set it\. Done by: workshop/)).toBeVisible();
  // Only what a teacher does.
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('button', { name: 'All instruments, by anyone' }).click();
  await page.getByRole('radiogroup', { name: 'Done by' }).getByRole('radio', { name: 'Teacher' }).click();
  await expect(page.getByRole('button', { name: /^Wren: new strings/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Heron: / })).toHaveCount(0);
});

test('costs are the player’s own, with their range; without a price there is none', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Guitar');
  await page.getByRole('link', { name: /^Strings/ }).click();
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await open(page, /^What it costs/);
  await expect(page.getByText(/Tembrin invents none/)).toBeVisible();
  await page.getByLabel('Currency').fill('pounds');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/three letters, like EUR/).last()).toBeVisible();
  await page.getByLabel('Currency').fill('gbp');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
  const price = async (from: string, to: string) => {
    await page.getByLabel('From, in GBP').fill(from);
    await page.getByLabel('To, in GBP').fill(to);
    await page.getByRole('button', { name: 'Put it on record' }).click();
  };
  const strings = page.getByRole('button', { name: /^New strings.*price for Guitar$/ });
  await strings.click();
  await price('14', '9');
  await expect(page.getByText('The higher price comes second.')).toBeVisible();
  await price('9', '14');
  await expect(page.getByText(/^in the year ahead, between £/)).toBeVisible();
  await strings.click();
  await page.getByRole('radio', { name: 'Workshop' }).click();
  await price('30', '30');
  await expect(page.getByText(/Doing strings yourself saves about £\d/)).toBeVisible();
});

test('the calendar: a file to keep, a private address that can be taken back, and another calendar’s dates', async ({
  page,
  browser,
}) => {
  await openDemo(page);
  await open(page, /^In your calendar/);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download .ics' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('tembrin.ics');
  const text = readFileSync(await file.path(), 'utf8');
  expect(text).toMatch(/^BEGIN:VCALENDAR[\s\S]*SUMMARY:Heron: new strings[\s\S]*BEGIN:VALARM[\s\S]*END:VCALENDAR\s*$/);

  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = (await page.getByText(/^http.*\.ics$/).textContent())!;
  // A calendar program somewhere else, that nobody signed in.
  const stranger = await browser.newContext();
  expect((await stranger.request.get(address)).status()).toBe(200);
  expect(await (await stranger.request.get(address)).text()).toContain('Heron: rehair');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Make an address' })).toBeVisible();
  expect((await stranger.request.get(address)).status()).toBe(404);
  await stranger.close();

  const choose = (content: string) =>
    page
      .getByLabel('Calendar file')
      .setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: Buffer.from(content) });
  await choose('date,minutes');
  await expect(page.getByText(/That is no calendar file/)).toBeVisible();
  await choose(`BEGIN:VCALENDAR\r\n${'X'.repeat(1_100_000)}`);
  await expect(page.getByText(/1\.1 MB; a calendar of at most 1 MB/)).toBeVisible();
  await choose(
    [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'BEGIN:VEVENT',
      'UID:a',
      `DTSTART;VALUE=DATE:${calendarDate(20)}`,
      'RRULE:FREQ=WEEKLY;COUNT=3',
      'SUMMARY:Lighthouse concert',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:b',
      `DTSTART:${calendarDate(9)}T100000`,
      'RRULE:FREQ=SECONDLY',
      'SUMMARY:Bomb',
      'END:VEVENT',
      'END:VCALENDAR',
    ].join('\r\n'),
  );
  await expect(page.getByRole('list', { name: 'Occasions in the file' })).toContainText(
    /Lighthouse concert.*and 2 more/,
  );
  await expect(page.getByText(/^Bomb: It repeats every hour or oftener/)).toBeVisible();
  await page.getByRole('button', { name: 'Take 1 in' }).click();
  await expect(page.getByRole('list', { name: 'Your days' })).toContainText('Lighthouse concert');
});

test('everything goes out as a file and comes in again', async ({ page: library, browser }) => {
  await openDemo(library);
  await open(library, /^Out and in again/);
  const [file] = await Promise.all([
    library.waitForEvent('download'),
    library.getByRole('button', { name: 'Save everything' }).click(),
  ]);
  const archive = await file.path();
  const page = await browser.newPage({ baseURL: process.env.TEMBRIN_URL });
  await signUp(page);
  await addInstrument(page, 'Viola');
  await open(page, /^Out and in again/);
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'cut.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') });
  await expect(page.getByText(/not a file Tembrin wrote, or it is cut off/)).toBeVisible();
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'all.json', mimeType: 'application/json', buffer: readFileSync(archive) });
  // What comes in is shown first, and what does not.
  await expect(page.getByText('9 instruments', { exact: true })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/stay as they are/)).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText(/entries came in, with 9 instruments/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Heron/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Viola/ })).toBeVisible();
  // Once more there is nothing to bring.
  await open(page, /^Out and in again/);
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'all.json', mimeType: 'application/json', buffer: readFileSync(archive) });
  await expect(page.getByText('Nothing in it is new here.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Bring it in' })).toHaveCount(0);
});
