import type { Locator } from '@playwright/test';
import { addInstrument, closeTheRound, expect, PASSWORD, signUp, test } from '../fixtures';

const VIOLA_ROUND = [
  'Slacken the bow',
  'Wipe the stick',
  'Wipe the strings',
  'Wipe the rosin zones',
  'Wipe where hands were',
  'Shoulder rest off',
  'Into the case',
  'Close and fasten',
];

/** The window a thread's drawing tells of, as text. */
const windowOf = async (drawing: Locator) => /window (.*)$/.exec((await drawing.getAttribute('aria-label')) ?? '')?.[1];

test('a new player: account, viola, playing, closing round, what is due, new strings, and all still there', async ({
  page,
}) => {
  const email = await signUp(page);

  await page.getByRole('button', { name: 'Viola' }).click();
  await page.getByLabel('Name').fill('Curlew');
  await page
    .getByRole('radiogroup', { name: 'When were its strings fitted?' })
    .getByRole('radio', { name: 'A year' })
    .click();
  await page
    .getByRole('radiogroup', { name: 'When was its bow last rehaired?' })
    .getByRole('radio', { name: '3 months' })
    .click();
  await page
    .getByRole('radiogroup', { name: 'When did a luthier last look it over?' })
    .getByRole('radio', { name: 'Don’t know' })
    .click();
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByRole('heading', { name: 'Curlew' })).toBeVisible();

  await page.getByRole('button', { name: 'Start playing' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused();
  await expect(page.getByRole('timer')).toHaveText(/00:(0[1-9]|[1-5]\d)/);
  await closeTheRound(page, VIOLA_ROUND);

  await page.getByRole('link', { name: /^Strings/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Strings' })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Wear', exact: true })).toBeVisible();
  const drawing = page.getByRole('img', { name: /^Strings,/ });
  const before = await windowOf(drawing);
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('radio', { name: 'Worn' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('cell', { name: 'Well' })).toBeVisible();
  const after = await windowOf(drawing);
  expect(before).toBeTruthy();
  expect(after).not.toBe(before);

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => windowOf(drawing)).toBe(before);
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect.poll(() => windowOf(drawing)).toBe(after);

  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Household and account' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();

  await expect(page.getByRole('heading', { name: 'Curlew' })).toBeVisible();
  await page.getByRole('link', { name: /^Strings: Well/ }).click();
  await expect.poll(() => windowOf(page.getByRole('img', { name: /^Strings,/ }))).toBe(after);
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Curlew/ }).click();
  await expect(page.getByRole('button', { name: /Correct or retract the session/ })).toContainText(
    'Closing round 8 of 8',
  );
});

test('nothing said but the family: it can be played at once, and what is missing is asked for where it matters', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Guitar');
  await page.getByRole('button', { name: 'Start playing' }).click();
  await closeTheRound(page, ['Wipe the strings', 'Wipe where hands were', 'Into the case', 'Close and fasten']);
  await page.getByRole('link', { name: /^Strings: Not known/ }).click();
  await page.getByRole('button', { name: 'Say when they were fitted' }).click();
  await page.getByRole('radio', { name: '3 months' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('rowheader', { name: 'Early end (10 %)' })).toBeVisible();
});
