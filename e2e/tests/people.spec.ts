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
  await expect(page.getByText('Ines has been removed.')).toBeVisible();
  await teacher.goto('/kit');
  await expect(teacher.getByText(/You do not belong to this household any more/)).toBeVisible();
  await context.close();
});

test('two who share a violin have their own ways and their own rest; a player’s calendar has what they play', async ({
  page,
  browser,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await addAnother(page, 'Cello', 'Bittern');
  await addPerson(page, 'Wren', 'Plays', ['Violin']);
  await addPerson(page, 'Pip', 'Plays', ['Violin']);
  await page.getByRole('link', { name: /^Schools and hands/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Pip: schools and hands' })).toBeVisible();
  await expectAccessible(page, 'somebody’s own ways');
  await page.getByRole('radio', { name: 'They tarnish strings quickly' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  await page.getByRole('radio', { name: /^B: One, the rosin zones last/ }).click();
  await expect(page.getByRole('radio', { name: /^B: One, the rosin zones last/ })).toBeChecked();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByText('Their own way in 1; they tarnish strings quickly.')).toBeVisible();

  // Each has their own rest; of the other's nothing is told.
  await page.goto('/kit');
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('link', { name: /^Set-up sheet/ }).click();
  const who = page.getByRole('radiogroup', { name: 'Who plays' });
  await who.getByRole('radio', { name: 'Pip' }).click();
  await page
    .getByRole('button', { name: /Rest height, left foot/ })
    .first()
    .click();
  await page.getByRole('dialog').getByRole('textbox').fill('31');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('31 mm').first()).toBeVisible();
  await who.getByRole('radio', { name: 'Wren' }).click();
  await expect(page.getByText('31 mm')).toHaveCount(0);
  await who.getByRole('radio', { name: 'Pip' }).click();
  await expect(page.getByText('31 mm').first()).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByRole('link', { name: /^Schools/ }).click();
  await expect(page.getByRole('radio', { name: /^As who plays it: B/ })).toBeChecked();

  // A player with an account has a calendar of their own.
  for (const name of ['Violin', 'Bittern']) {
    await page.goto('/kit');
    await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
    await page.getByRole('link', { name: /^Strings: / }).click();
    await page.getByRole('button', { name: 'Say when they were fitted' }).click();
    await page.getByRole('radio', { name: '2 years' }).click();
    await page.getByRole('button', { name: 'Put it on record' }).click();
    await expect(page.getByText(/^Fitted \d+ months ago/)).toBeVisible();
  }
  await addPerson(page, 'Ana', 'Plays', ['Bittern']);
  const to = newEmail();
  await page.getByLabel('Email, to send it').fill(to);
  await page.getByRole('button', { name: 'Send the invitation' }).click();
  await expect(page.getByText(`Sent to ${to}`, { exact: false })).toBeVisible();
  const context = await browser.newContext({ baseURL: process.env.TEMBRIN_URL });
  const ana = await context.newPage();
  await openLetter(ana, to, 'Come and look after the instruments of My instruments');
  await ana.getByRole('link', { name: /\/join#/ }).click();
  await ana.getByRole('button', { name: 'Make an account to accept it' }).click();
  await ana.getByLabel('Email').fill(to);
  await ana.getByLabel('Password').fill(PASSWORD);
  await ana.getByRole('button', { name: 'Make the account' }).click();
  await ana.getByRole('button', { name: 'Accept it' }).click();
  await ana.getByRole('link', { name: 'Year', exact: true }).click();
  await ana.getByRole('link', { name: /^In your calendar/ }).click();
  await expect(ana.getByText(/This one is yours/)).toBeVisible();
  await ana.getByRole('button', { name: 'Make an address' }).click();
  await expectAccessible(ana, 'a player’s calendar');
  const address = (await ana.getByLabel('Private address').textContent())!;
  const feed = await ana.request.get(address);
  expect(await feed.text()).toMatch(/Bittern/);
  expect(await feed.text()).not.toMatch(/Violin/);
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
