import {
  addInstrument,
  expect,
  expectAccessible,
  newEmail,
  openDemo,
  PASSWORD,
  signUp,
  test,
  keptOnDevice,
} from '../fixtures';

test('what is wrong with an account is said beside its field, and what was typed stays', async ({ page, browser }) => {
  const email = await signUp(page);
  const context = await browser.newContext({ baseURL: process.env.TEMBRIN_URL });
  const other = await context.newPage();
  await other.goto('/start');
  await other.getByRole('button', { name: 'Make the account' }).click();
  await expect(other.getByText('Enter an email address like name@example.org.')).toBeVisible();
  await other.getByLabel('Email').fill(email);
  await other.getByLabel('Password').fill('short');
  await other.getByRole('button', { name: 'Make the account' }).click();
  await expect(
    other.getByText('Use at least 12 characters; a few unrelated words are easy to remember.'),
  ).toBeVisible();
  await expectAccessible(other, 'new account, with errors');
  await other.getByLabel('Password').fill(PASSWORD);
  await other.getByRole('button', { name: 'Make the account' }).click();
  await expect(other.getByText(/There is an account with this address already/)).toBeVisible();
  await expect(other.getByLabel('Email')).toHaveValue(email);

  await other.getByRole('button', { name: 'I have an account: sign in' }).click();
  await other.getByLabel('Email').fill(email);
  await other.getByLabel('Password').fill('not the right one');
  await other.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(other.getByRole('alert')).toContainText('The address or the password is not right.');
  await expectAccessible(other, 'sign-in, refused');
  await other.getByLabel('Password').fill(PASSWORD);
  await other.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(other.getByRole('heading', { name: 'What do you play?' })).toBeVisible();
  await context.close();
});

test('pages of the household lead a stranger to the door, and unknown addresses say so', async ({ page }) => {
  await page.goto('/kit');
  await expect(page.getByRole('button', { name: 'Start your own' })).toBeVisible();
  await page.goto('/no/such/page');
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
  await expectAccessible(page, 'not found');
});

test('an entry that turns out to clash with another device’s is not lost: it is shown with its reason', async ({
  page,
  browser,
}) => {
  const email = await signUp(page);
  await addInstrument(page, 'Guitar');
  const context = await browser.newContext({ baseURL: process.env.TEMBRIN_URL });
  const other = await context.newPage();
  await other.goto('/sign-in');
  await other.getByLabel('Email').fill(email);
  await other.getByLabel('Password').fill(PASSWORD);
  await other.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(other.getByRole('button', { name: 'Start playing' })).toBeEnabled();
  await keptOnDevice(other);
  await context.setOffline(true);

  const enter = async (on: typeof page, began: string, ended: string) => {
    await on.getByRole('button', { name: 'Enter a session played earlier' }).click();
    await on.getByLabel('Day it began').fill('2026-02-03');
    await on.getByLabel('Began', { exact: true }).fill(began);
    await on.getByLabel('Ended', { exact: true }).fill(ended);
    await on.getByRole('button', { name: 'Put it on record' }).click();
    await expect(on.getByRole('button', { name: 'Start playing' })).toBeVisible();
  };
  await enter(page, '10:00', '11:00');
  await enter(other, '10:30', '11:30');
  await expect(other.getByText(/kept here, sent as soon as it is back/)).toBeVisible();
  await context.setOffline(false);
  await expect(
    other.getByText(/Not stored: a session of 3 Feb.*It overlaps the session of 3 Feb 2026, 10:00 to 11:00/),
  ).toBeVisible();
  await expectAccessible(other, 'with a refused entry');
  // Entered again from where it was, with its closing round; until then it is not lost.
  await other.getByRole('button', { name: 'Enter it again' }).first().click();
  await expect(other.getByLabel('Began', { exact: true })).toHaveValue('10:30');
  await other.getByLabel('Began', { exact: true }).fill('11:00');
  await other.getByRole('button', { name: 'Put it on record' }).click();
  await expect(other.getByText(/Not stored/)).toHaveCount(0);
  await other.getByRole('link', { name: 'Kit' }).click();
  await other.getByRole('link', { name: /^Guitar/ }).click();
  const again = other.getByRole('button', { name: /Correct or retract the session of .*11:00 to 11:30/ });
  await expect(again).toContainText('Closing round 4 of 4');
  await context.close();
});

test('sheets are accessible, close with Escape and give nothing away when closed', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: /^Heron.*is on the stand/ }).click();
  await expect(page.getByRole('dialog').getByRole('heading', { name: 'On the stand' })).toBeVisible();
  await expectAccessible(page, 'sheet: on the stand');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('heading', { name: 'On the stand' })).toBeHidden();
  await page.getByRole('link', { name: /^Strings/ }).click();
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('radio', { name: 'Some' }).click();
  await page.getByRole('radio', { name: 'On a date' }).click();
  await expect(page.getByRole('button', { name: 'Choose which strings.' })).toBeDisabled();
  await expectAccessible(page, 'sheet: new strings');
  await page.getByRole('checkbox', { name: 'E', exact: true }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('The strings are on record.')).toBeVisible();
  await expect(page.getByRole('row', { name: /^E string fitted/ })).toBeVisible();
});

test('choices of the household are kept, undone, and refused with a sentence when they cannot be', async ({ page }) => {
  await signUp(page, newEmail());
  await addInstrument(page, 'Viola');
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Household and account' }).click();
  await page.getByRole('link', { name: /^Schools/ }).click();
  const cloths = page.getByRole('radiogroup', { name: 'How many cloths' });
  await cloths.getByRole('radio', { name: /^B: One/ }).click();
  await expect(cloths.getByRole('radio', { name: /^B: One/ })).toBeChecked();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cloths.getByRole('radio', { name: /^A: Two.*\(usual\)/ })).toBeChecked();
  await page.getByRole('button', { name: 'Back' }).click();
  await page.getByLabel('Time zone').fill('Quayside');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Give a time zone by its IANA name, like Europe/Lisbon.')).toBeVisible();
  await page.getByLabel('Time zone').fill('America/New_York');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  await page.getByRole('radio', { name: 'Dark' }).click();
  // All is drawn anew in the other light, and is the same page.
  await expect(page.getByRole('radio', { name: 'Dark' })).toBeChecked();
  await page.reload();
  await expect(page.getByLabel('Time zone')).toHaveValue('America/New_York');
  await expect(page.getByRole('radio', { name: 'Dark' })).toBeChecked();

  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Viola/ }).click();
  await page.getByRole('button', { name: 'Change Viola' }).click();
  await page.getByRole('button', { name: 'Remove Viola' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Remove Viola' }).click();
  await page.getByRole('button', { name: 'Remove it and its log' }).click();
  await expect(page.getByRole('heading', { name: 'No instruments yet' })).toBeVisible();
  await expectAccessible(page, 'an empty kit');
});
