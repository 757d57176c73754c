import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, signUp, test } from '../fixtures';

/** A school's cupboard: sixty instruments besides the one there is. */
async function sixty(page: Page): Promise<void> {
  const { instruments } = (await (await page.request.get('/api/v1/household')).json()) as {
    instruments: Record<string, unknown>[];
  };
  const { id: _id, addedAt: _addedAt, version: _version, ...facts } = instruments[0]!;
  for (let no = 1; no <= 60; no++) {
    const data = { ...facts, id: randomUUID(), name: `Tern ${no}`, size: no % 3 === 0 ? '1/2' : '3/4' };
    const answer = await page.request.post('/api/v1/instruments', { data, headers: { 'x-tembrin': '1' } });
    expect(answer.status()).toBe(201);
  }
}

const cupboard = (page: Page) => page.getByRole('list', { name: 'Cupboard' }).getByRole('listitem');

test('a school’s keeper with sixty instruments: what is free, one lent and back again, a shelf looked over, labels', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await signUp(page);
  await addInstrument(page, 'Violin');
  await sixty(page);
  await page.goto('/kit/cupboard');
  await expect(page.getByText('61 instruments')).toBeVisible();
  await expectAccessible(page, 'the cupboard');
  await expect(cupboard(page)).toHaveCount(40);
  await page.getByRole('button', { name: 'Show 21 more' }).click();
  await expect(cupboard(page)).toHaveCount(61);
  // What is free in a half.
  await page.getByRole('radio', { name: 'Here' }).click();
  await page.getByRole('button', { name: 'Narrow it down' }).click();
  await page.getByRole('radiogroup', { name: 'Size' }).getByRole('radio', { name: '1/2' }).click();
  await expect(page.getByText('20 of 61')).toBeVisible();
  await page.getByLabel('Search').fill('tern 33');
  await expect(cupboard(page)).toHaveCount(1);

  await cupboard(page).getByRole('link').click();
  await page.getByRole('link', { name: /^Lending/ }).click();
  await page.getByLabel('Their name').fill('Oskar');
  await page.getByLabel('Goes out on').fill('2026-09-07');
  await page.getByLabel('To be back on').fill('2026-09-01');
  await page.getByLabel('Also goes along').fill('Music stand, Tuner');
  await page.getByRole('button', { name: 'Lend it' }).click();
  await expect(page.getByRole('alert')).toContainText('before it goes out');
  await page.getByLabel('To be back on').fill('2026-11-20');
  await expectAccessible(page, 'lending');
  await page.getByRole('button', { name: 'Lend it' }).click();
  await expect(page.getByRole('heading', { name: 'Lent to Oskar' })).toBeVisible();
  await expect(page.getByText(/days over\. Ask where it is/)).toBeVisible();
  await expect(page.getByText('With it: Bow, Case, Music stand and Tuner.')).toBeVisible();
  await expectAccessible(page, 'lent out');
  const sheet = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Loan sheet to sign' }).click();
  expect((await sheet).suggestedFilename()).toBe('tembrin-loan.pdf');

  await page.goto('/kit/cupboard');
  await page.getByRole('radio', { name: 'Overdue' }).click();
  await expect(cupboard(page)).toHaveCount(1);
  await expect(cupboard(page)).toContainText(/Tern 33.*Lent to Oskar, \d+ days over/s);
  await cupboard(page).getByRole('link').click();
  await page.getByRole('checkbox', { name: 'Tuner' }).click();
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByText('Did not come back: Tuner.')).toBeVisible();
  await expect(page.getByText(/^Nothing is different by what is on record/)).toBeVisible();
  await expectAccessible(page, 'back again');

  // The same for a whole shelf, at once, and taken back at once.
  await page.goto('/kit/work');
  await page.getByRole('radio', { name: 'Looked over whole, all good' }).click();
  await page.getByRole('checkbox', { name: 'Tern 33', exact: true }).click();
  await page.getByRole('button', { name: 'Put 1 on record' }).click();
  await expect(page.getByText('1 on record.')).toBeVisible();
  await page.getByRole('radio', { name: 'Checkup done' }).click();
  await page.getByRole('button', { name: 'All that are here' }).click();
  await expectAccessible(page, 'the day’s work');
  await page.getByRole('button', { name: 'Put 61 on record' }).click();
  await expect(page.getByText('61 on record.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();

  await page.goto('/kit/cupboard');
  await page.getByLabel('Search').fill('tern 33');
  const labels = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Labels for it' }).click();
  expect((await labels).suggestedFilename()).toBe('tembrin-labels.pdf');
});

test('a label opens its instrument on the stand for who may see it, after signing in where that is needed', async ({
  page,
}) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  await page.goto('/kit/add');
  await page.getByRole('button', { name: 'Cello', exact: true }).click();
  await page.getByLabel('Name').fill('Bittern');
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bittern' })).toBeVisible();
  const { instruments } = (await (await page.request.get('/api/v1/household')).json()) as {
    instruments: { id: string; name: string }[];
  };
  const label = `/stand/${instruments.find(({ name }) => name === 'Violin')!.id}`;
  await page.goto(label);
  await expect(page.getByRole('heading', { level: 1, name: 'Violin' })).toBeVisible();
  await page.goto(`/stand/${randomUUID()}`);
  await expect(page.getByRole('heading', { name: 'Not one of yours' })).toBeVisible();
  await expectAccessible(page, 'a label that is not one’s own');

  await page.goto('/kit/household');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/(sign-in)?$/);
  await page.goto(label);
  await expect(page.getByRole('button', { name: 'Start your own' })).toBeVisible();
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill('quiet harbour tern');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Violin' })).toBeVisible();
});
