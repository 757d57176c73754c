import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, signUp, test } from '../fixtures';

const marks = (page: Page) => page.getByRole('progressbar', { name: 'Steps' });
const next = (page: Page) => page.getByRole('button', { name: /^(Done, next|Finish)$/ });

async function openJob(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Jobs, step by step/ }).click();
  await page.getByRole('link', { name }).click();
}

/** Goes on to the next step and waits until it is there. */
async function on(page: Page): Promise<void> {
  const at = Number(await marks(page).getAttribute('aria-valuenow'));
  await next(page).click();
  await expect(marks(page)).toHaveAttribute('aria-valuenow', String(at + 1));
}

test('an instrument from the post: from the closed case to the first evening, left and taken up again', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await openJob(page, /^A new instrument/);
  await expect(page.getByText('45 min, whoever plays')).toBeVisible();
  await expectAccessible(page, 'before a job');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'The closed case warms through' })).toBeVisible();
  await expect(page.getByRole('timer')).toContainText('It rests until');
  await expectAccessible(page, 'a step of a job');
  await on(page);
  // Before anything is under tension it is looked over.
  await expect(page.getByRole('heading', { name: 'Open it flat, and look at everything' })).toBeVisible();
  await page.getByRole('radio', { name: 'Good' }).click();
  await on(page);
  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Jobs, step by step' })).toBeVisible();
  await expectAccessible(page, 'jobs');
  await page.getByRole('link', { name: /^A new instrument.*Take it up where you left it/ }).click();
  await expect(page.getByRole('heading', { name: 'A knuckle round the seams' })).toBeVisible();
  await on(page);
  await expect(page.getByRole('heading', { name: 'Does the post stand?' })).toBeVisible();
  await page.getByRole('button', { name: 'Back a step' }).click();
  await expect(page.getByRole('heading', { name: 'A knuckle round the seams' })).toBeVisible();
  const seen: string[] = [];
  for (;;) {
    seen.push(await page.getByRole('heading', { level: 2 }).innerText());
    if (seen.at(-1) === 'The gap, and how many turns to it')
      await page.getByRole('textbox', { name: /^Turns to your gap/ }).fill('7');
    if (await page.getByRole('button', { name: 'Finish' }).isVisible()) break;
    await on(page);
  }
  expect(seen.slice(-5)).toEqual([
    'Rosin the new hair for minutes',
    'The gap, and how many turns to it',
    'The first measures',
    'Photographs for the insurer',
    'The first evening',
  ]);
  await next(page).click();
  await expect(page.getByText(/^Done: a new instrument/)).toBeVisible();
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  for (const entry of ['Rosined', 'Turns to your gap: 7', 'Outside: good', 'A job done'])
    await expect(page.getByRole('listitem').filter({ hasText: entry })).toBeVisible();
});

test('a child’s next size is told from the arm; a guitarist’s neck is eased an eighth at a time', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await openJob(page, /^Fitted to who plays/);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('textbox', { name: /^Arm/ }).fill('9');
  await next(page).click();
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByRole('textbox', { name: /^Arm/ }).fill('540');
  await on(page);
  await expect(page.getByRole('status').filter({ hasText: 'The next size' })).toContainText(
    'An arm of 540 mm plays a 1/2.',
  );
  await expect(page.getByRole('status').filter({ hasText: 'The next size' })).toContainText(
    /A 3\/4 about .*usual for children/,
  );
  await page.getByRole('button', { name: 'Leave off' }).click();
  await expect(page.getByText('Left off. What was read and found stays on record.')).toBeVisible();

  await page.goto('/kit/add');
  await addInstrument(page, 'Guitar');
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await openJob(page, /^Neck relief/);
  await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'I have been shown how' }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await on(page);
  await page.getByRole('button', { name: 'Hands-busy view' }).click();
  await page.getByRole('button', { name: /The air first.*Tap anywhere/ }).click();
  const relief = page.getByRole('textbox', { name: /^Neck relief/ });
  await relief.fill('0.7');
  await on(page);
  await expect(page.getByRole('heading', { name: 'An eighth of a turn tighter' })).toBeVisible();
  await page.getByRole('button', { name: 'Usual view' }).click();
  await on(page);
  await on(page);
  await relief.fill('0.3');
  await on(page);
  await expect(page.getByRole('heading', { name: 'Enough for today' })).toBeVisible();
});
