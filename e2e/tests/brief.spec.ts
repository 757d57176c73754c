import { readFile } from 'node:fs/promises';
import { addInstrument, expect, expectAccessible, signUp, test } from '../fixtures';

test('a violinist’s brief for a buzz: composed from the log, in her own words, kept, and a page to take along', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Something is wrong/ }).click();
  await page.getByRole('checkbox', { name: 'It buzzes on many notes' }).click();
  await page.getByRole('button', { name: 'Look into it' }).click();
  await page.getByRole('button', { name: 'Look whether it is so' }).click();
  await page.getByRole('link', { name: 'Write the brief for the workshop' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Brief for the workshop' })).toBeVisible();
  await expect(page.getByLabel('Headline')).toHaveValue('It buzzes on many notes');
  await expect(page.getByLabel('What is noticed')).toHaveValue(/^It buzzes on many notes, since .*\nIt could be: /);
  await expectAccessible(page, 'a brief');
  await page.getByLabel('Headline').fill('');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('alert')).toHaveText('Give the brief a title.');
  await page.getByLabel('Headline').fill('A buzz, and a rehair');
  await page.getByLabel('Wishes and limits').fill('Back by Friday. Call before more than 150.');
  await page.getByRole('radio', { name: 'Letter' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('tembrin-brief.pdf');
  expect((await readFile(await file.path())).subarray(0, 5).toString()).toBe('%PDF-');
  await expect(page.getByText('Kept as you wrote it.')).toBeVisible();
  // It is there again, as it was written, from the instrument's own page.
  await page.reload();
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('link', { name: /^Brief for the workshop/ }).click();
  await expect(page.getByLabel('Headline')).toHaveValue('A buzz, and a rehair');
  await page.getByRole('button', { name: 'Compose it anew from the log' }).click();
  await expect(page.getByLabel('Headline')).toHaveValue('It buzzes on many notes');
  await expect(page.getByLabel('Wishes and limits')).toHaveValue('Back by Friday. Call before more than 150.');
});
