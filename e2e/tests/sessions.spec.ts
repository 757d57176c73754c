import type { Page } from '@playwright/test';
import { addInstrument, expect, signUp, test, expectAccessible } from '../fixtures';

test.beforeEach(async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('button', { name: 'Enter a session' }).click();
});

const enter = async (page: Page, day: string, began: string, ended: string) => {
  await page.getByLabel('Day it began').fill(day);
  await page.getByLabel('Began', { exact: true }).fill(began);
  await page.getByLabel('Ended', { exact: true }).fill(ended);
  await page.getByRole('button', { name: /Put it on record|Save the correction/ }).click();
};
const entry = (page: Page) => page.getByRole('button', { name: /Correct or retract the session/ });

test('a session is entered afterwards, past midnight too, corrected, retracted and put back', async ({ page }) => {
  await expectAccessible(page, 'entering a session');
  await enter(page, '2026-03-10', '23:15', '00:30');
  await expect(entry(page)).toContainText('23:15 to 00:30, 75 min');
  await expect(entry(page)).toContainText('entered afterwards');
  await expect(entry(page)).toContainText('Closing round 8 of 8');

  await entry(page).click();
  await enter(page, '2026-03-10', '23:15', '00:05');
  await expect(entry(page)).toContainText('50 min');
  await expect(entry(page)).toContainText('corrected');

  await entry(page).click();
  await page.getByRole('button', { name: 'Retract the session' }).click();
  await expect(entry(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(entry(page)).toContainText('50 min');

  // Long after the notice is gone it can still be put back.
  await entry(page).click();
  await page.getByRole('button', { name: 'Retract the session' }).click();
  await expect(entry(page)).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: /^Show what was retracted/ }).click();
  await page.getByRole('button', { name: /^Put back: a session of 10 Mar/ }).click();
  await expect(entry(page)).toContainText('50 min');
});

test('what cannot have happened is said at once, and what was typed stays', async ({ page }) => {
  await enter(page, '2026-03-10', '18:00', '19:00');
  await page.getByRole('button', { name: 'Enter a session' }).click();
  await enter(page, '2026-03-10', '18:30', '19:30');
  await expect(page.getByRole('alert')).toContainText('overlaps the session of 10 Mar 2026');
  await expect(page.getByLabel('Began', { exact: true })).toHaveValue('18:30');
  await enter(page, '2099-03-10', '18:30', '19:30');
  await expect(page.getByRole('alert')).toContainText('in the future');
  await enter(page, '2026-03-10', '', '19:30');
  await expect(page.getByRole('alert')).toContainText('Give the day and both times.');
  await enter(page, '2026-03-10', '19:00', '19:30');
  await expect(entry(page)).toHaveCount(2);
});

test('a clock forgotten for a day asks when you stopped', async ({ page }) => {
  await page.clock.install({ time: new Date() });
  await page.getByRole('link', { name: 'Now' }).click();
  await page.getByRole('button', { name: 'Start playing' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.clock.setFixedTime(Date.now() + 26 * 3_600_000);
  await page.reload();
  await expect(page.getByText(/The clock has run since .* Did you stop earlier/)).toBeVisible();
  await page.getByRole('button', { name: 'Say when you stopped' }).click();
  await expect(page.getByRole('heading', { name: 'When did you stop?' })).toBeVisible();
});
