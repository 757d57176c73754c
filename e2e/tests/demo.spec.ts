import type { Page } from '@playwright/test';
import { expect, expectAccessible, openDemo, putOnStand, test, throughTheRound } from '../fixtures';

/** Steps of a violin's round that come every evening; others join when they are due. */
const EVERY_EVENING = [
  'Slacken the bow',
  'Wipe the stick',
  'Wipe the strings',
  'Wipe the rosin zones',
  'Wipe where hands were',
  'Shoulder rest off',
  'Into the case',
  'Close and fasten',
];
const everyEvening = (steps: readonly string[]) => steps.filter((step) => EVERY_EVENING.includes(step));

/** No violation, and nothing wider than the screen. @param only the rules to look at; all when left out */
async function look(page: Page, screen: string, only?: readonly string[]) {
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expectAccessible(page, screen, only);
  const [shown, whole] = await page.evaluate(() => [
    document.documentElement.clientWidth,
    document.documentElement.scrollWidth,
  ]);
  expect(whole, `${screen} is no wider than the screen`).toBeLessThanOrEqual(shown!);
}

for (const { name, viewport, colorScheme, only } of [
  // Names and roles are the same in the dark, colours are not.
  { name: 'phone', viewport: { width: 390, height: 844 }, colorScheme: 'dark', only: ['color-contrast'] },
  // A wide screen lays these out in two panes.
  { name: 'wide screen', viewport: { width: 1280, height: 800 }, colorScheme: 'light', only: undefined },
] as const) {
  test(`the sections of the demo library on a ${name}, ${colorScheme}: accessible, and they fit`, async ({ page }) => {
    test.setTimeout(180_000);
    await page.setViewportSize(viewport);
    await page.emulateMedia({ colorScheme });
    const section = (title: string) => page.getByRole('link', { name: title, exact: true }).click();
    await openDemo(page);
    await look(page, 'now', only);
    await page.getByRole('link', { name: /^Rosin: (Now|Soon)/ }).click();
    await expect(page.getByRole('button', { name: 'Rosined now' })).toBeVisible();
    await look(page, 'the working of rosin', only);
    await section('Now');
    await page.getByRole('link', { name: /^Before you play/ }).click();
    await look(page, 'the opening round', only);
    await page.getByRole('button', { name: 'Start playing' }).click();
    await page.getByRole('button', { name: 'Finish' }).click();
    await expect(page.getByRole('heading', { name: 'Slacken the bow' })).toBeVisible();
    await look(page, 'the closing round', only);
    await page.getByRole('button', { name: 'Later' }).click();
    await section('Air');
    await expect(page.getByRole('list', { name: 'Rooms and cases' })).toBeVisible({ timeout: 20_000 });
    await look(page, 'air', only);
    await page.getByRole('link', { name: /^Over the ovens/ }).click();
    await page.getByRole('slider', { name: /a year of air/ }).press('End');
    await look(page, 'a room’s year', only);
    await section('Year');
    await expect(page.getByText(/^The next visit to the workshop/)).toBeVisible({ timeout: 30_000 });
    await look(page, 'year', only);
    await section('Bench');
    await look(page, 'the bench', only);
    await section('Kit');
    await expect(page.getByRole('link', { name: /^Wren: (Now|Soon)\. Violin 1\/2 · residue/ })).toBeVisible({
      timeout: 30_000,
    });
    await look(page, 'kit', only);
    await page.getByRole('link', { name: /^Wren/ }).click();
    await expect(page.getByRole('heading', { name: 'History' })).toBeVisible();
    await look(page, 'an instrument', only);
    await page.getByRole('link', { name: /^Strings\. What is on/ }).click();
    await expect(page.getByRole('img', { name: /^Pull of each string/ })).toBeVisible();
    await look(page, 'strings', only);
    await page.getByRole('button', { name: 'Back' }).click();
    await page.getByRole('link', { name: /^Schools/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Schools' })).toBeVisible();
    await look(page, 'schools', only);
  });
}

test('every screen of the demo library is accessible and fits a phone', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'Start your own' })).toBeVisible();
  await look(page, 'welcome');
  await page.getByRole('button', { name: 'Start your own' }).click();
  await expect(page.getByRole('button', { name: 'Make the account' })).toBeVisible();
  await look(page, 'new account');
  await openDemo(page);
  await look(page, 'now, before');
  await page.getByRole('link', { name: /^Rosin: (Now|Soon)/ }).click();
  await expect(page.getByRole('button', { name: 'Rosined now' })).toBeVisible();
  await look(page, 'the working of rosin');
  await page.getByRole('button', { name: 'Rosined now' }).click();
  await expect(page.getByText('Rosined. The count starts again.')).toBeVisible();
  await look(page, 'with a notice');
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await page.getByRole('link', { name: /^Residue/ }).click();
  await expect(page.getByRole('radiogroup', { name: 'Zones' })).toBeVisible();
  await look(page, 'residue on the plate');
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await page.getByRole('link', { name: /^Before you play/ }).click();
  await page.getByRole('button', { name: /^As usual/ }).click();
  await look(page, 'the opening round');
  await page.getByRole('button', { name: 'Start playing' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await look(page, 'playing');
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { name: 'Slacken the bow' })).toBeVisible();
  await look(page, 'closing round');
  await page.getByRole('button', { name: 'Hands-busy view' }).click();
  await expect(page.getByText('Tap anywhere: done')).toBeVisible();
  await look(page, 'hands-busy view');
  await page.getByRole('button', { name: 'Usual view' }).click();
  await page.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Rooms and cases' })).toBeVisible({ timeout: 20_000 });
  await look(page, 'air');
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await expect(page.getByLabel('Humidity in %')).toBeVisible();
  await look(page, 'reading a hygrometer');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: /^Over the ovens/ }).click();
  const chart = page.getByRole('slider', { name: /a year of air/ });
  await chart.press('End');
  await page.getByRole('button', { name: 'As a table' }).click();
  await look(page, 'a room’s year');
  await page.getByRole('button', { name: 'What to do' }).click();
  await expect(page.getByRole('heading', { name: 'Airing' })).toBeVisible();
  await look(page, 'what to do');
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Over the ovens/ }).click();
  await page.getByRole('link', { name: /^Curlew:/ }).click();
  await expect(page.getByRole('heading', { name: 'The working' })).toBeVisible();
  await look(page, 'an instrument’s wood');
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('link', { name: /^Hygrometers/ }).click();
  await look(page, 'hygrometers');
  await page.getByRole('link', { name: /^Hygrometer by the door/ }).click();
  await look(page, 'a hygrometer');
  await page.getByRole('button', { name: 'Check it over salt' }).click();
  await page.getByLabel('It shows, in %').fill('73');
  await look(page, 'salt check');
  for (const link of [/^Moving between climates/, /^On the way/]) {
    await page.getByRole('link', { name: 'Air', exact: true }).click();
    await page.getByRole('link', { name: link }).click();
    await look(page, String(link));
  }
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('button', { name: 'Add a room or a case' }).click();
  await look(page, 'adding a room');
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await expect(page.getByText(/^The next visit to the workshop/)).toBeVisible({ timeout: 30_000 });
  await look(page, 'year');
  await page.getByRole('button', { name: 'Add a performance, exam or holiday' }).click();
  await look(page, 'a day that matters');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('button', { name: /^Heron: new strings/ }).click();
  await expect(page.getByRole('heading', { name: 'Move it' })).toBeVisible();
  await look(page, 'a due item');
  await page.getByRole('button', { name: 'Back' }).click();
  for (const link of [/^What it costs/, /^In your calendar/, /^Out and in again/]) {
    await page.getByRole('link', { name: link }).click();
    await look(page, String(link));
    if (String(link) !== '/^Out and in again/') await page.getByRole('button', { name: 'Back' }).click();
  }
  await page.getByRole('link', { name: /^Put a practice diary/ }).click();
  await page.getByLabel('Practice diary').setInputFiles({
    name: 'diary.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('date,minutes\n03/02/2026,20\n04/02/2026,soon\n'),
  });
  await expect(page.getByText('They can be read in more than one way. Which comes first?')).toBeVisible();
  await look(page, 'a practice diary');
  await page.getByRole('link', { name: 'Bench' }).click();
  await look(page, 'the bench');
  await page.getByRole('link', { name: /^Change strings/ }).click();
  await look(page, 'changing strings');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Done, next' }).click();
  await look(page, 'the guided change');
  await page.getByRole('button', { name: 'Leave off' }).click();
  await page.getByRole('link', { name: /^Tune and settle/ }).click();
  await look(page, 'tune and settle');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^Leaving home/ }).click();
  await look(page, 'packing');
  await page.getByRole('button', { name: 'Back' }).click();
  for (const drill of ['Turn the screw', 'The round in order', 'Before the lid shuts', 'The missed zone']) {
    await page.getByRole('link', { name: new RegExp(`^${drill}`) }).click();
    await expect(page.getByRole('heading', { level: 1, name: drill })).toBeVisible();
    await look(page, drill);
    await page.getByRole('button', { name: 'Back' }).click();
  }
  await page.getByRole('link', { name: /^What may I use/ }).click();
  await look(page, 'what may I use');
  await page.getByRole('link', { name: 'Kit' }).click();
  await expect(page.getByRole('link', { name: /^Wren: (Now|Soon)\. Violin 1\/2 · residue/ })).toBeVisible({
    timeout: 30_000,
  });
  await look(page, 'kit');
  await page.getByRole('link', { name: /^Wren/ }).click();
  await expect(page.getByRole('heading', { name: 'History' })).toBeVisible();
  await look(page, 'an instrument');
  await page.getByRole('link', { name: /^Strings\. What is on/ }).click();
  await expect(page.getByRole('img', { name: /^Pull of each string/ })).toBeVisible();
  await look(page, 'strings');
  await page.getByRole('link', { name: /^Compare/ }).click();
  await page.getByRole('radio', { name: 'Gut, wound below' }).click();
  await look(page, 'comparing strings');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^One broke/ }).click();
  await page.getByRole('radio', { name: 'D4' }).click();
  await look(page, 'one broke');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^How it is strung/ }).click();
  await look(page, 'strung and tuned');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^Sets and spares/ }).click();
  await look(page, 'the cupboard');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Wren/ }).click();
  await page.getByRole('link', { name: /^Set-up sheet/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Set-up sheet' })).toBeVisible();
  await look(page, 'set-up sheet');
  await page.getByRole('button', { name: 'Measure: Turns to your gap' }).click();
  await look(page, 'measuring');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^Schools/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Schools' })).toBeVisible();
  await look(page, 'schools');
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('button', { name: 'Change Wren' }).click();
  await look(page, 'changing an instrument');
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Household and account' }).click();
  await look(page, 'household');
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Add an instrument' }).click();
  await look(page, 'choosing a family');
  await page.getByRole('button', { name: 'Double bass' }).click();
  await look(page, 'adding an instrument');
});

test('undo is everywhere in the closing round, skipping is recorded, and the round waits when left', async ({
  page,
}) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { name: 'Slacken the bow' })).toBeVisible();
  await page.getByRole('button', { name: 'Play on' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Wipe the stick' })).toBeVisible();
  await page.getByRole('button', { name: 'Skip' }).click();
  await expect(page.getByRole('heading', { name: 'Wipe the strings' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: wipe the stick' }).click();
  await expect(page.getByRole('heading', { name: 'Wipe the stick' })).toBeVisible();
  await page.getByRole('button', { name: 'Skip' }).click();
  await page.getByRole('button', { name: 'Later' }).click();
  await page.getByRole('button', { name: 'Go on with the closing round' }).click();
  expect(everyEvening(await throughTheRound(page))).toEqual(EVERY_EVENING.slice(2));
  await expect(page.getByText('The round is done, 1 skipped.')).toBeVisible();
  await page.getByRole('link', { name: /^Residue/ }).click();
  await expect(page.getByRole('row', { name: /Bow stick.*unwiped/ })).toBeVisible();
});

test('everything can be done from the keyboard, and ? tells how', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys on this screen' });
  await expect(keys.getByRole('row', { name: /Start playing S/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(keys).toBeHidden();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { name: 'Quayside String Library' })).toBeVisible();
  await page.keyboard.press('1');
  await page.keyboard.press('s');
  await expect(page.getByRole('timer')).toBeVisible();
  await page.keyboard.press('f');
  const steps = await throughTheRound(page, (step) =>
    page.keyboard.press(step === 'Wipe the stick' ? 'k' : step === 'Wipe the strings' ? 'PageDown' : ' '),
  );
  expect(everyEvening(steps)).toEqual(EVERY_EVENING);
  await expect(page.getByText('The round is done, 1 skipped.')).toBeVisible();
  await page.keyboard.press('z');
  await expect(page.getByRole('heading', { name: 'Close and fasten' })).toBeVisible();
});

test('another instrument is put on the stand; a guitar has no bow, a harp no case', async ({ page }) => {
  await openDemo(page);
  await putOnStand(page, 'Plover');
  await expect(page.getByRole('link', { name: /^Rosin/ })).toHaveCount(0);
  await putOnStand(page, 'Tern');
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  const steps = await throughTheRound(page);
  expect(steps.filter((step) => step !== 'Dust the levers')).toEqual(['Wipe the strings', 'Wipe where hands were']);
});

test('strings that are due though nobody knows their date can be changed, or their date be said', async ({ page }) => {
  await openDemo(page);
  await putOnStand(page, 'Cormorant');
  await page.getByRole('link', { name: /^Strings: Now/ }).click();
  await expect(page.getByRole('button', { name: 'Fitted new strings' })).toBeVisible();
  await page.getByRole('button', { name: 'Say when they were fitted' }).click();
  await page.getByRole('radio', { name: '2 years' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText(/^Fitted 24 months ago/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Say when they were fitted' })).toHaveCount(0);
});

test('two visitors look round two copies', async ({ page, browser }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Heron/ }).click();
  await page.getByRole('button', { name: 'Change Heron' }).click();
  await page.getByLabel('Name').fill('Great Heron');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Great Heron' })).toBeVisible();
  const other = await browser.newPage({ baseURL: process.env.TEMBRIN_URL });
  await openDemo(other);
  await expect(other.getByRole('heading', { name: 'Heron', exact: true })).toBeVisible();
  await other.close();
});
