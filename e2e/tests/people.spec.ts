import type { Page } from '@playwright/test';
import {
  addInstrument,
  expect,
  expectAccessible,
  newEmail,
  openDemo,
  openLetter,
  PASSWORD,
  signUp,
  test,
} from '../fixtures';

/** Adds an instrument to a household that has some. */
async function addAnother(page: Page, family: string, name: string): Promise<void> {
  await page.goto('/kit/add');
  await page.getByRole('button', { name: family, exact: true }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled();
}

async function addPerson(page: Page, name: string, role: string, instruments: readonly string[]): Promise<void> {
  await page.goto('/kit/people');
  await page.getByRole('button', { name: 'Add a person' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByRole('radio', { name: role }).click();
  const what = page.getByRole('group', { name: role === 'Helps' ? 'Looks after for others' : 'Plays' });
  for (const each of instruments) await what.getByRole('checkbox', { name: each }).click();
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

test('a parent of two: children without an account at the stand, a teacher invited by mail', async ({
  page,
  browser,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await addAnother(page, 'Cello', 'Bittern');
  await page.goto('/kit/people');
  await expect(page.getByText('Only you so far')).toBeVisible();
  await expectAccessible(page, 'people, alone');
  await addPerson(page, 'Wren', 'Plays', ['Violin']);
  await addPerson(page, 'Pip', 'Plays', ['Violin', 'Bittern']);
  await expectAccessible(page, 'a person');

  // At the stand, one tap says who plays; what is put on record is theirs.
  await page.goto('/now');
  await page.getByRole('button', { name: /is on the stand. Put another there/ }).click();
  await page.getByRole('button', { name: /^Violin/ }).click();
  const who = page.getByRole('radiogroup', { name: 'Who plays' });
  await who.getByRole('radio', { name: 'Wren' }).click();
  await expect(who.getByRole('radio', { name: 'Wren' })).toBeChecked();
  await expectAccessible(page, 'the stand, with who plays');
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.goto('/kit');
  await page.getByRole('link', { name: /^Violin/ }).click();
  await expect(page.getByRole('list', { name: 'History' })).toContainText('Wren');

  // The teacher looks after the cello.
  await addPerson(page, 'Ines', 'Helps', ['Bittern']);
  const to = newEmail();
  await page.getByLabel('Email, to send it').fill(to);
  await page.getByRole('button', { name: 'Send the invitation' }).click();
  await expect(page.getByText(`Sent to ${to}`, { exact: false })).toBeVisible();
  await expectAccessible(page, 'a person who is invited');

  const context = await browser.newContext({ baseURL: process.env.TEMBRIN_URL });
  const teacher = await context.newPage();
  await openLetter(teacher, to, 'Come and look after the instruments of My instruments');
  await teacher.getByRole('link', { name: /\/join#/ }).click();
  await expect(teacher.getByText('As Ines')).toBeVisible();
  await expectAccessible(teacher, 'an invitation');
  await teacher.getByRole('button', { name: 'Make an account to accept it' }).click();
  await teacher.getByLabel('Email').fill(to);
  await teacher.getByLabel('Password').fill(PASSWORD);
  await teacher.getByRole('button', { name: 'Make the account' }).click();
  await teacher.getByRole('button', { name: 'Accept it' }).click();
  await expect(teacher.getByRole('link', { name: /^Bittern/ })).toBeVisible();
  await expect(teacher.getByRole('link', { name: /^Violin/ })).toHaveCount(0);
  await expect(teacher.getByRole('button', { name: 'Add an instrument' })).toHaveCount(0);
  // They see whom they share an instrument with.
  await teacher.goto('/kit/people');
  await expect(teacher.getByRole('list', { name: 'People' })).toContainText('Pip');
  await expect(teacher.getByRole('list', { name: 'People' })).not.toContainText('Wren');
  await expectAccessible(teacher, 'people, for a helper');
  // What is for who keeps the household is not offered.
  await teacher.goto('/year');
  await expect(teacher.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(teacher.getByRole('link', { name: /^What it costs/ })).toHaveCount(0);

  // Taken out, they are told at their next step, and theirs is a household of their own.
  await page.goto('/kit/people');
  await page.getByRole('link', { name: /^Ines/ }).click();
  await page.getByRole('button', { name: 'Take them out' }).click();
  await expect(page.getByText(/Press once more/)).toBeVisible();
  await page.getByRole('button', { name: 'Take them out' }).click();
  await expect(page.getByText('Ines is out.')).toBeVisible();
  await teacher.goto('/kit');
  await expect(teacher.getByText(/You do not belong to this household any more/)).toBeVisible();
  await context.close();
});

test('the demo library has people, and the stand asks who plays', async ({ page }) => {
  await openDemo(page);
  const who = page.getByRole('radiogroup', { name: 'Who plays' });
  await who.getByRole('radio', { name: 'Tam' }).click();
  await expect(who.getByRole('radio', { name: 'Tam' })).toBeChecked();
  await page.goto('/kit/people');
  await expect(page.getByRole('list', { name: 'People' }).getByRole('listitem')).toHaveCount(4);
});
