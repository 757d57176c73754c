import { expect, openDemo, signUp, addInstrument, test } from '../fixtures';
import type { Page } from '@playwright/test';

/** Makes an account with a violin that lives in a room of 40 m³. */
async function withRoom(page: Page): Promise<void> {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'No rooms yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a room' }).click();
  await page.getByLabel('Name').fill('Front room');
  // Whoever lives nowhere yet is chosen already.
  await expect(page.getByRole('group', { name: 'Who lives here' }).getByRole('checkbox')).toBeChecked();
  await page.getByRole('radio', { name: 'In the open' }).click();
  await page.getByLabel('Volume in m³').fill('40');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Front room' })).toBeVisible();
}

/** A logger's file: an hour a line, up to the hour before now. */
function loggerFile(hours: number, percent: (hoursAgo: number) => number): string {
  const lines = Array.from({ length: hours }, (_, at) => {
    const ago = hours - at;
    const time = new Date(Math.floor(Date.now() / 3_600_000) * 3_600_000 - ago * 3_600_000);
    const [date, clock] = time.toISOString().slice(0, 16).split('T');
    const [year, month, day] = date!.split('-');
    return `${day}/${month}/${year} ${clock};${percent(ago).toFixed(1).replace('.', ',')};20,5`;
  });
  return `Datum;RH %;Temp °C\n${lines.join('\n')}\n`;
}

async function addHygrometer(page: Page, name: string, kind: string): Promise<void> {
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Hygrometers/ }).click();
  await page.getByRole('button', { name: 'Add a hygrometer' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByRole('radio', { name: kind }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

test('with a hand hygrometer only: a reading, its mistakes, its undo, and what the wood makes of it', async ({
  page,
}) => {
  await withRoom(page);
  await expect(page.getByRole('heading', { name: 'Nothing read here yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  const humidity = page.getByLabel('Humidity in %');
  for (const [typed, told] of [
    ['-3', /never below 0/],
    ['101,5', /never above 100/],
    ['0.45', /45 % as 45/],
    ['dry', /not a number/],
  ] as const) {
    await humidity.fill(typed);
    await page.getByRole('button', { name: 'Put it on record' }).click();
    await expect(page.getByText(told)).toBeVisible();
  }
  await humidity.fill('44,5');
  await page.getByLabel('Lowest, if it says').fill('38');
  await page.getByLabel('Temperature in °C').fill('20.5');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('44.5 % is on record.')).toBeVisible();
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /Fine|Watch/ })
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing read here yet' })).toBeVisible();

  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await humidity.fill('28');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('28 % is on record.')).toBeVisible();
  // The first reading is all that is known: the wood is taken to have stood in it.
  await page.getByRole('link', { name: /^Violin: Act today\. Too dry/ }).click();
  await expect(page.getByRole('heading', { name: 'The working' })).toBeVisible();
  await expect(page.getByText(/Look for pegs that slip/)).toBeVisible();
  await page.getByRole('button', { name: 'What to do' }).click();
  await expect(page.getByRole('heading', { name: /^Give it .* of water a day$/ })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Water a day' })).toBeVisible();
  // The verdict has joined the threads of the instrument on the stand.
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Air: Now\. Too dry/ })).toBeVisible();
});

test('a reading taken without a connection is kept and sent later', async ({ page, context }) => {
  await withRoom(page);
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await page.getByLabel('Humidity in %').fill('47');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('47 % is on record.')).toBeVisible();
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await page.getByLabel('Humidity in %').fill('52');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('52 % is kept on this device, and sent when the server is back.')).toBeVisible();
  await expect(page.getByText(/1 of your readings wait/)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/of your readings wait/)).toHaveCount(0);
  await expect(page.getByRole('link', { name: /^Front room.*\. (5[02]|4[79]) %\./ })).toBeVisible();
});

test('with a logger’s CSV: asked what cannot be told, imported once, a dry fortnight told from it', async ({
  page,
}) => {
  await withRoom(page);
  await addHygrometer(page, 'Shelf logger', 'A logger whose files are imported');
  await page.getByRole('button', { name: 'Import a file' }).click();
  const input = page.getByLabel('The logger’s file');
  await input.setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('hello\nworld\n') });
  await expect(page.getByText(/No table can be made out/)).toBeVisible();

  const text = loggerFile(60 * 24, (ago) => (ago <= 15 * 24 ? 27 : 50));
  await input.setInputFiles({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByText('So it would be read')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'Day, month, year' })).toBeChecked();
  await expect(page.getByRole('row').filter({ hasText: '50.0 %' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Import it' }).click();
  await expect(page.getByRole('heading', { name: 'It is all in' })).toBeVisible();
  await expect(page.getByRole('row', { name: /New readings/ })).toContainText('1,440');
  await page.getByRole('button', { name: 'Look at the air' }).click();
  await expect(page.getByRole('link', { name: /^Violin: Act today\. Too dry/ })).toBeVisible();
  await expect(page.getByText(/^Since .*: dry, sustained|^Since .*: dry, worsening/)).toBeVisible();

  // The chart reads out a day, by touch and by keys, and is there as a table.
  const chart = page.getByRole('slider', { name: /a year of air/ });
  await chart.press('End');
  // Just after midnight nothing was read today yet.
  await chart.press('ArrowLeft');
  await expect(chart).toHaveAttribute('aria-valuetext', /air .* %.*wood stands at/);
  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('table', { name: /The year by months/ })).toBeVisible();

  // The same file again changes nothing.
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Hygrometers/ }).click();
  await page.getByRole('link', { name: /^Shelf logger/ }).click();
  await page.getByRole('button', { name: 'Import a file' }).click();
  await page
    .getByLabel('The logger’s file')
    .setInputFiles({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Import it' }).click();
  await expect(page.getByRole('heading', { name: 'All of it was known already' })).toBeVisible();
});

test('dates that can be read both ways are asked for, never guessed', async ({ page }) => {
  await withRoom(page);
  await addHygrometer(page, 'Shelf logger', 'A logger whose files are imported');
  await page.getByRole('button', { name: 'Import a file' }).click();
  const lines = Array.from({ length: 12 }, (_, at) => `0${1 + (at % 9)}/05/2025 1${at % 10}:00,45,20.5`);
  await page.getByLabel('The logger’s file').setInputFiles({
    name: 'both.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time,humidity,temp C\n${lines.join('\n')}\n`),
  });
  await expect(page.getByText(/can be read in more than one way/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Import it' })).toHaveCount(0);
  await page.getByRole('radio', { name: 'Day, month, year' }).click();
  await expect(page.getByRole('row').filter({ hasText: '1 May 2025' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Import it' }).click();
  await expect(page.getByRole('heading', { name: 'It is all in' })).toBeVisible();
});

test('with the simulated hygrometer running live: a key, readings that come by themselves, an end to it', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await withRoom(page);
  await addHygrometer(page, 'By the door', 'One that sends by itself');
  await expect(page.getByText(/shown this once/)).toBeVisible();
  await expect(page.getByText(/^tmb_/)).toBeVisible();
  const readings = page.getByRole('row', { name: /^Readings/ });
  await expect(readings).toContainText('0');
  await page.getByRole('button', { name: 'Let a simulated hygrometer send' }).click();
  await expect(page.getByText(/sends for it now/)).toBeVisible();
  await expect(readings).not.toContainText(/\b0\b/, { timeout: 20_000 });
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Front room.*\. \d+ %\. .*\d+ °C, read .* ago/ })).toBeVisible();
  await page.getByRole('link', { name: /^Hygrometers/ }).click();
  await page.getByRole('link', { name: /^By the door/ }).click();
  await page.getByRole('button', { name: 'Revoke the key' }).click();
  await expect(page.getByText(/nothing can send for it/)).toBeVisible();
});

test('is the hygrometer right: the salt check leads through, corrects, and can be taken back', async ({ page }) => {
  await withRoom(page);
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await page.getByLabel('Humidity in %').fill('50');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Hygrometers/ }).click();
  await page.getByRole('link', { name: /^Hygrometer\./ }).click();
  await expect(page.getByRole('button', { name: /^Take back the reading of today/ })).toBeVisible();
  await page.getByRole('button', { name: 'Check it over salt' }).click();
  await expect(page.getByText('The sensor must never touch the salt', { exact: false })).toBeVisible();
  await page.getByLabel('It shows, in %').fill('72.5');
  await page.getByLabel('Temperature in °C').fill('5');
  await expect(page.getByText(/from 18 to 32 °C/)).toBeVisible();
  await page.getByLabel('Temperature in °C').fill('20');
  await expect(page.getByText(/It shows 3\.0 % too little, ± 2\.\d % at 50 %/)).toBeVisible();
  await page.getByRole('button', { name: 'Put the check on record' }).click();
  await expect(page.getByText(/corrected from the next hour on/)).toBeVisible();
  await expect(page.getByRole('row', { name: /^Truth/ })).toContainText('corrected by +3.0 %');
  await page.getByRole('button', { name: /^Take back the check/ }).click();
  await expect(page.getByRole('row', { name: /^Truth/ })).toContainText('never checked');
  await page.getByRole('button', { name: /^Take back the reading of today/ }).click();
  await expect(page.getByRole('row', { name: /^Readings/ })).toContainText('0');
});

test('the demo tells its story: bakery mornings, a place for each instrument, what to do, a moving plan', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  const rooms = page.getByRole('list', { name: 'Rooms and cases' });
  await expect(rooms.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('link', { name: /^Over the ovens/ }).click();
  const chart = page.getByRole('slider', { name: /Over the ovens, a year of air/ });
  await expect(chart).toBeVisible();
  await chart.press('End');
  await chart.press('ArrowLeft');
  await chart.press('ArrowLeft');
  // A day's ribbon over the ovens is wide: damp mornings, drier evenings.
  const words = (await chart.getAttribute('aria-valuetext')) ?? '';
  const [, low, high] = /air (\d+) % to (\d+) %/.exec(words)!.map(Number);
  expect(high! - low!).toBeGreaterThan(8);
  await expect(page.getByRole('slider', { name: /hour by hour/ })).toBeVisible();
  await page.getByRole('button', { name: 'What to do' }).click();
  await expect(page.getByText(/^Opening the windows now/)).toBeVisible();
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Moving between climates/ }).click();
  await page.getByRole('radiogroup', { name: 'From' }).getByRole('radio', { name: 'Somewhere else' }).click();
  await page.getByLabel('Usual humidity there, in %').fill('65');
  await page.getByLabel('Usual humidity where it goes, in %').fill('30');
  await expect(page.getByRole('list', { name: 'Steps of the move' }).getByRole('listitem').nth(3)).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^On the way, and left alone/ }).click();
  await page.getByLabel(/How cold it was on the way/).fill('-4');
  await expect(page.getByText(/Opened now it would sweat/)).toBeVisible();
  await expect(page.getByText('An open dish of water in the case')).toBeVisible();
});

test('an instrument moves and takes its wood along; a case humidifier is weighed', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Reading room/ }).click();
  await page.getByRole('link', { name: /^Dunlin:/ }).click();
  await page.getByRole('button', { name: 'It moves: Dunlin to another place' }).click();
  await page.getByRole('radio', { name: 'Harbour store' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('Dunlin lives in Harbour store.').first()).toBeVisible();
  await expect(page.getByRole('link', { name: /^Lives in Harbour store/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Lives in Reading room/ })).toBeVisible();
  await page.getByRole('button', { name: 'What to do' }).click();
  await page
    .getByRole('button', { name: /^Weigh it: the humidifier of/ })
    .first()
    .click();
  await page.getByLabel('Weight in g', { exact: true }).fill('heavy');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText(/weight in g, like/)).toBeVisible();
  await page.getByLabel('Weight in g', { exact: true }).fill('41.5');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('41.5 g is on record.')).toBeVisible();
});
