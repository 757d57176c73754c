import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, newEmail, PASSWORD, picture, signUp, test } from '../fixtures';

/** A cello with what it is told by and a first photograph of its state; ends on its passport. */
async function cello(page: Page) {
  await signUp(page);
  await addInstrument(page, 'Cello');
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Cello/ }).click();
  await page.getByRole('link', { name: /^Passport/ }).click();
  await page.getByRole('link', { name: /^What it is told by/ }).click();
  await page.getByLabel('The label, letter by letter').fill('At the sign of the Tern, 1890');
  await page.getByLabel('Number', { exact: true }).fill('No. 77');
  await page.getByLabel('Value', { exact: true }).fill('12000');
  await page.getByLabel('Currency').fill('eu');
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByRole('alert')).toContainText('three letters');
  await page.getByLabel('Currency').fill('eur');
  await expectAccessible(page, 'what an instrument is told by');
  await page.getByRole('button', { name: 'Put on record' }).click();
  await expect(page.getByRole('row', { name: /At the sign of the Tern/ })).toBeVisible();
  await page.getByRole('link', { name: /^Its state in photographs/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Next: Front' })).toBeVisible();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Photograph: Front' }).click(),
  ]);
  await chooser.setFiles(await picture(page, 'peru'));
  await expect(page.getByRole('status').filter({ hasText: 'Next: Back' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Front' })).toBeVisible();
  await expectAccessible(page, 'the state of an instrument');
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Its state.*1 of 9 views/ })).toBeVisible();
}

test('a cello’s passport: what it is told by, its state in photographs, and all of it on paper', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await cello(page);
  await expectAccessible(page, 'a passport');
  await expect(page.getByRole('row', { name: /12,000/ })).toHaveCount(0);
  await page.getByRole('radio', { name: 'Told too' }).click();
  await expect(page.getByRole('row', { name: /€12,000/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Letter' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('tembrin-passport.pdf');
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a cello is handed over to another household with its whole life, once both say so', async ({ page, browser }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await cello(page);
  await page.getByRole('link', { name: /^Hand it over/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Hand over Cello' })).toBeVisible();
  await page.getByRole('button', { name: 'Make the link' }).click();
  const address = (await page.getByText(/\/kit\/take\?key=/).textContent())!;
  await expect(page.getByText('Nobody has said yet that they would take it.')).toBeVisible();
  await expectAccessible(page, 'handing over');

  const other = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const taker = await other.newPage();
  // Whoever has no household yet makes one, and is then where the link leads.
  await taker.goto(address);
  await taker.getByRole('button', { name: 'Start your own' }).click();
  await taker.getByLabel('Email').fill(newEmail());
  await taker.getByLabel('Password').fill(PASSWORD);
  await taker.getByRole('button', { name: 'Make the account' }).click();
  await expect(taker.getByRole('heading', { level: 2, name: 'Cello' })).toBeVisible();
  await expectAccessible(taker, 'taking over');
  await taker.getByRole('button', { name: 'Take it' }).click();
  await expect(taker.getByRole('status').filter({ hasText: 'has been told' })).toBeVisible();

  await page.getByRole('button', { name: /^Hand it over to/ }).click();
  await expect(page.getByRole('heading', { name: 'Given away' })).toBeVisible();
  await page.getByRole('link', { name: /^Cello\. To/ }).click();
  await expect(page.getByText(/^A copy of its life/)).toBeVisible();
  await expect(page.getByRole('row', { name: /At the sign of the Tern/ })).toBeVisible();
  await expectAccessible(page, 'the copy of what was given');

  await taker.getByRole('button', { name: 'Open it' }).click();
  await taker.getByRole('link', { name: /^Passport/ }).click();
  await expect(taker.getByRole('row', { name: /No\. 77/ })).toBeVisible();
  await expect(taker.getByRole('link', { name: /^Its state.*1 of 9 views/ })).toBeVisible();
  await other.close();
});
