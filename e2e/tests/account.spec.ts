import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, newEmail, openLetter, PASSWORD, signUp, test } from '../fixtures';

const NEXT = 'seven brass lanterns';

async function signIn(page: Page, email: string, password = PASSWORD): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

async function openAccount(page: Page, email: string): Promise<void> {
  await page.goto('/kit/household');
  await page.getByRole('link', { name: email }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Account' })).toBeVisible();
  await expect(page.getByText('What was done')).toBeVisible();
}

/** A device that makes and keeps passkeys, its owner always there. */
async function withDevice(page: Page): Promise<void> {
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
}

test('a player who forgot the password chooses another by the link in the mail', async ({ page }) => {
  const email = await signUp(page);
  await page.context().clearCookies();
  await signIn(page, email, 'the one before the last');
  await expect(page.getByRole('alert')).toContainText('not right');
  await page.getByRole('button', { name: 'I forgot the password' }).click();
  await expectAccessible(page, 'forgotten password');
  await page.getByLabel('Email').fill(email);
  await page.getByRole('button', { name: 'Send the link' }).click();
  await expect(page.getByRole('status')).toContainText('If there is an account with this address');

  await openLetter(page, email, 'Choose a new password');
  await expectAccessible(page, 'a letter in the mailbox');
  await page.getByRole('link', { name: /\/reset#/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Choose a new password' })).toBeVisible();
  await expectAccessible(page, 'new password');
  await page.getByLabel('New password').fill('aaaaaaaaaaaa');
  await page.getByRole('button', { name: 'Choose a new password' }).click();
  await expect(page.getByRole('alert')).toContainText('easy to guess');
  await page.getByLabel('New password').fill(NEXT);
  await page.getByRole('button', { name: 'Choose a new password' }).click();
  await expect(page.getByRole('status')).toContainText('The new password is kept');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(NEXT);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What do you play?' })).toBeVisible();

  // The same link again.
  await openLetter(page, email, 'Your password was replaced');
  await page.goto(`${process.env.TEMBRIN_MAIL}?to=${encodeURIComponent(email)}`);
  await page.getByRole('link', { name: 'Choose a new password' }).click();
  await page.getByRole('link', { name: /\/reset#/ }).click();
  await page.getByLabel('New password').fill('eleven copper kettles');
  await page.getByRole('button', { name: 'Choose a new password' }).click();
  await expect(page.getByText(/This link is good for nothing any more/)).toBeVisible();
});

test('a passkey is made on this device, signs in without the password, and is removed', async ({ page }) => {
  await withDevice(page);
  const email = await signUp(page);
  await addInstrument(page, 'Viola');
  await openAccount(page, email);
  await page.getByRole('button', { name: 'Add a passkey' }).click();
  await page.getByLabel('What to call it').fill('Music stand');
  await page.getByLabel('Password').fill('not this one at all');
  await page.getByRole('button', { name: 'Make the passkey' }).click();
  await expect(page.getByRole('alert')).toContainText('not the password');
  await expectAccessible(page, 'adding a passkey, refused');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Make the passkey' }).click();
  await expect(page.getByText('Music stand').first()).toBeVisible();
  await expectAccessible(page, 'account');

  await page.goto('/kit/household');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled();

  await openAccount(page, email);
  await expect(page.getByText(/last used on/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove Music stand' }).click();
  await expect(page.getByText('The passkey signs nobody in any more.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Remove Music stand' })).toHaveCount(0);
});

test('password, devices and address are looked after, and leaving is taken back', async ({ page, browser }) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  const context = await browser.newContext({ baseURL: process.env.TEMBRIN_URL });
  const other = await context.newPage();
  await signIn(other, email);
  await expect(other.getByRole('button', { name: 'Start playing' })).toBeEnabled();

  await openAccount(page, email);
  await expect(page.getByText('Here', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out everywhere else' }).click();
  await expect(page.getByText('Signed out everywhere else.')).toBeVisible();
  await other.goto('/kit');
  await expect(other.getByRole('button', { name: 'Start your own' })).toBeVisible();
  await context.close();

  await page.getByRole('link', { name: /^Change the password/ }).click();
  await page.getByLabel('Password you have').fill(PASSWORD);
  await page.getByLabel('New password').fill(NEXT);
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('The password is changed.', { exact: false })).toBeVisible();

  const wanted = newEmail();
  await page.getByRole('link', { name: /^Change the address/ }).click();
  await page.getByLabel('New address').fill(wanted);
  await page.getByLabel('Password').fill(NEXT);
  await page.getByRole('button', { name: 'Send the links' }).click();
  await expect(page.getByText(`It is to be ${wanted}.`, { exact: false })).toBeVisible();
  for (const [to, subject, told] of [
    [wanted, 'Confirm your new address', 'Confirmed.'],
    [email, 'Confirm the change of your address', `The account has the address ${wanted} now.`],
  ] as const) {
    await openLetter(page, to, subject);
    await page.getByRole('link', { name: /\/confirm#/ }).click();
    await page.getByRole('button', { name: 'Confirm', exact: true }).click();
    await expect(page.getByRole('status')).toContainText(told);
  }
  await expectAccessible(page, 'confirmed');

  await openAccount(page, wanted);
  await page.getByRole('link', { name: /^Leave for good/ }).click();
  await expectAccessible(page, 'leaving for good');
  await page.getByLabel('Password').fill(NEXT);
  await page.getByRole('button', { name: 'Remove it in seven days' }).click();
  await expect(page.getByText(/this account is removed, and with it My instruments/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('The account stays.')).toBeVisible();
  await openLetter(page, wanted, 'Your account stays');
});
