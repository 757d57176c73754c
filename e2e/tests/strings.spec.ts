import { addInstrument, expect, openDemo, putOnStand, signUp, test } from '../fixtures';
import type { Page } from '@playwright/test';

/** Says from the strings' own page when they went on. */
async function fittedAgo(page: Page, ago: string): Promise<void> {
  await page.getByRole('link', { name: /^Strings/ }).click();
  await page.getByRole('button', { name: 'Say when they were fitted' }).click();
  await page.getByRole('radio', { name: ago }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText(/^Fitted \d+ months ago/)).toBeVisible();
}

/** A calendar date so many days from now, as a date control takes it. */
const inDays = (days: number) =>
  new Date(Date.now() + days * 86_400_000).toLocaleDateString('sv-SE', { timeZone: 'Europe/Lisbon' });

/** Everything entered was taken in by the server. */
async function expectAllStored(page: Page): Promise<void> {
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText(/kept here, sent as soon/)).toHaveCount(0);
  await expect(page.getByText(/^Not stored/)).toHaveCount(0);
}

/** Goes through the steps of the guided change until one string is on. @returns titles of the steps */
async function throughOneString(page: Page, name: string): Promise<string[]> {
  const seen: string[] = [];
  for (let step = 0; step < 10; step++) {
    seen.push((await page.getByRole('heading', { level: 2 }).textContent()) ?? '');
    const on = page.getByRole('button', { name: `The ${name} is on` });
    if (await on.isVisible()) {
      await on.click();
      break;
    }
    await page.getByRole('button', { name: 'Done, next' }).click();
    await expect(page.getByRole('heading', { level: 2 })).not.toHaveText(seen.at(-1)!);
  }
  return seen;
}

async function describeSet(page: Page, set: string | RegExp): Promise<void> {
  await page.getByRole('link', { name: /^What is on/ }).click();
  await page.getByRole('button', { name: 'Describe the set' }).click();
  await page.getByRole('radio', { name: set }).click();
  await page.getByRole('button', { name: 'That is on' }).click();
  await expect(page.getByRole('img', { name: /^Pull of each string/ })).toBeVisible();
}

test('a violinist breaks an E a week before a performance: just the E now, changed step by step, the set after it', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await fittedAgo(page, '2 years');
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByRole('button', { name: 'Add a performance, exam or holiday' }).click();
  await page.getByLabel('Name').fill('Harbour concert');
  await page.getByLabel('On', { exact: true }).fill(inDays(7));
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('list', { name: 'Your days' })).toContainText('Harbour concert');

  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('link', { name: /^Strings\. What is on/ }).click();
  await page.getByRole('link', { name: /^One broke/ }).click();
  await page.getByRole('radio', { name: 'E5' }).click();
  await expect(page.getByRole('heading', { name: 'Just the E now, the rest after the performance' })).toBeVisible();
  const reasons = page.getByRole('list', { name: 'Reasons' });
  await expect(reasons).toContainText(/24 months old and have used \d+ % of their life/);
  await expect(reasons).toContainText(/A performance is in 7 days/);
  await expect(reasons).toContainText('no spare one in the cupboard');

  await page.getByRole('button', { name: 'Change it, step by step' }).click();
  await expect(page.getByRole('checkbox', { name: 'E5' })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'One broke' })).toBeChecked();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Before you begin' })).toBeVisible();
  await expect(page.getByText(/the strings hold the bridge/)).toBeVisible();
  await expect(page.getByText(/Turn the face away/)).toBeVisible();
  const seen = await throughOneString(page, 'E5');
  expect(seen.join(' ')).toMatch(
    /fine tuner.*Slacken it.*Pencil in both grooves.*to the tailpiece.*Through the peg.*protector.*Bring it up slowly.*Look at the bridge/,
  );
  // Left and taken up again: it is where it was.
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.getByRole('link', { name: /^Change strings/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'All strings are on' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Tune and settle' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'When to tune again' })).toContainText('E5');

  // Somebody who wants the rest of the set on before the concert all the same is warned.
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByRole('button', { name: /^Violin: new strings/ }).click();
  await page.getByLabel('On the day').fill(inDays(5));
  await page.getByRole('button', { name: /^Plan it for/ }).click();
  await expect(page.getByText(/It falls into the \d+ days before Harbour concert/)).toBeVisible();
  await expectAllStored(page);
});

test('a guitarist goes from light to medium: what each string and the neck will feel, before the packet is opened', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Guitar');
  await fittedAgo(page, '3 months');
  await describeSet(page, /^Light/);
  await expect(page.getByText(/^7\d\d N$/)).toBeVisible();
  await page.getByRole('radio', { name: 'lbf' }).click();
  await expect(page.getByText(/^1[56]\d lbf$/)).toBeVisible();
  await page.getByRole('link', { name: /^Compare/ }).click();
  await expect(page.getByText('The instrument will not notice.')).toBeVisible();
  await page.getByRole('radio', { name: /^Medium/ }).click();
  await expect(page.getByText(/^\+1\d %$/).first()).toBeVisible();
  await expect(page.getByText(/Expect more relief in the neck: plan a set-up/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Old and new pull: E4 2\d\.\d lbf, then 2\d\.\d lbf/ })).toBeVisible();
  // Down a tone, the medium set pulls less than the light one does now.
  await page.getByRole('radio', { name: /^All down a tone/ }).click();
  await expect(page.getByText(/^−\d+ %$/).first()).toBeVisible();
  await page.getByLabel('A, in Hz').fill('380');
  await expect(page.getByText('The A lies between 390 and 470 Hz.')).toBeVisible();
  await page.getByLabel('A, in Hz').fill('440');
  await page.getByRole('button', { name: 'Put this set on, step by step' }).click();
  await expect(page.getByRole('radio', { name: /^Medium/ })).toBeChecked();
  await page.getByRole('radio', { name: 'All off' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: 'Done, next' }).click();
  await page.getByRole('button', { name: 'Done, next' }).click();
  await expect(page.getByRole('heading', { name: 'Clean the fretboard while it is bare' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave off' }).click();
  await expect(page.getByText(/^Left off/)).toBeVisible();
  await expectAllStored(page);
});

test('impossible strings are told, and nothing of them is kept', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await fittedAgo(page, '3 months');
  await describeSet(page, 'Medium synthetic');
  await page.getByRole('button', { name: /^E5:/ }).click();
  const save = page.getByRole('button', { name: 'Put it on record' });
  for (const [typed, told] of [
    ['0', /No string is that thin/],
    ['5', /No string is that thick/],
    ['thin', /Write a number/],
  ] as const) {
    await page.getByLabel('Gauge').fill(typed);
    await save.click();
    await expect(page.getByText(told)).toBeVisible();
  }
  await page.getByLabel('Gauge').fill('.0105');
  await page.getByLabel('Tension on the packet, in N').fill('9000');
  await save.click();
  await expect(page.getByText(/No string pulls more than 1200 N/)).toBeVisible();
  await page.getByLabel('Tension on the packet, in N').fill('');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('button', { name: /^E5: .*Steel, plain, 0\.26 mm/ })).toBeVisible();
  await page.getByRole('link', { name: /^How it is strung/ }).click();
  await page.getByLabel('Notes, the lowest string first').fill('G3 D4 A4');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/3 notes for 4 strings/)).toBeVisible();
  await page.getByLabel('Notes, the lowest string first').fill('G3 D4 A4 H5');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/“H5” is no note/)).toBeVisible();
  await page.getByLabel('Notes, the lowest string first').fill('G3 D4 A4 E6');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/^The E6 would break at this length and note/)).toBeVisible();
  await page.getByRole('button', { name: /^E6:/ }).click();
  await expect(page.getByText(/this note would break it/)).toBeVisible();
});

test('a harpist with strings of different ages: octaves told apart, the one spent first decides', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Harp');
  await fittedAgo(page, '2 years');
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('radio', { name: 'Some' }).click();
  await page.getByLabel('From string number').fill('10');
  await page.getByLabel('To string number').fill('99');
  await expect(page.getByText('The strings are numbered 1 to 34, from the top.')).toBeVisible();
  await page.getByLabel('To string number').fill('12');
  await page.getByRole('radio', { name: '3 months' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await describeSet(page, /^Gut in the middle/);
  await expect(page.getByText(/^on 34 strings/)).toBeVisible();
  const octave = page.getByRole('button', { name: /^Octave 3: .*7 strings, 3 months to 24 months on/ });
  await octave.click();
  await expect(page.getByRole('list', { name: 'Strings of octave 3' }).getByRole('listitem')).toHaveCount(7);
  await expect(page.getByRole('button', { name: /^Octave 1: .* all 24 months on/ })).toBeVisible();
  // One of them breaks: always just that one.
  await page.getByRole('link', { name: /^One broke/ }).click();
  await page.getByRole('radio', { name: 'C, octave 4' }).click();
  await expect(page.getByRole('heading', { name: /^Just the/ })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Reasons' })).toContainText('Harp strings are of many ages');
  await page.getByRole('button', { name: 'It is on already: put it on record' }).click();
  await expect(page.getByRole('button', { name: /^Octave 4: .*7 strings, 1 minute to 24 months on/ })).toBeVisible();
});

test('spares go down with what is fitted from them, and come back with an undo', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Heron/ }).click();
  await page.getByRole('link', { name: /^Strings\. What is on/ }).click();
  await page.getByRole('link', { name: /^One broke/ }).click();
  await page.getByRole('radio', { name: 'E5' }).click();
  await page.getByRole('button', { name: 'Change the set, step by step' }).click();
  await expect(page.getByRole('radio', { name: 'Medium synthetic set (in the cupboard)' })).toBeChecked();
  // All off is asked for, and refused where the post is held by the strings.
  await page.getByRole('radio', { name: 'All off' }).click();
  await expect(page.getByText(/All off is for a workshop here/)).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^Sets and spares/ }).click();
  const spare = page.getByRole('listitem').filter({ hasText: 'Violin E, plain steel' });
  await expect(spare.getByText('2', { exact: true })).toBeVisible();
  // One of them goes on.
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Change strings/ }).click();
  for (const other of ['A4', 'D4', 'G3']) await page.getByRole('checkbox', { name: other }).click();
  await expect(page.getByRole('radio', { name: 'Violin E, plain steel (2 left)' })).toBeChecked();
  await page.getByRole('button', { name: 'Begin' }).click();
  await throughOneString(page, 'E5');
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Heron/ }).click();
  await page.getByRole('link', { name: /^Strings\. What is on/ }).click();
  await page.getByRole('link', { name: /^Sets and spares/ }).click();
  await expect(spare.getByText('1', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Violin E, plain steel' }).click();
  await expect(spare).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(spare).toContainText('single string, of 2');
  await page.getByRole('button', { name: 'Put a spare in' }).click();
  await page.getByLabel('Packets').fill('0');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('Give it a name.')).toBeVisible();
  await expect(page.getByText('At least one packet.')).toBeVisible();
});

test('a simulated string shows in the demo how settling is followed', async ({ page }) => {
  await openDemo(page);
  await putOnStand(page, 'Curlew');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Tune and settle/ }).click();
  await expect(page.getByText(/rings are your 5 tunings/)).toBeVisible();
  await page.getByRole('button', { name: 'Use a simulated string' }).click();
  await expect(page.getByRole('button', { name: /^Write down: D4 .* cents flat/ })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop listening' }).click();
  await expect(page.getByRole('button', { name: 'Listen', exact: true })).toBeVisible();
});
