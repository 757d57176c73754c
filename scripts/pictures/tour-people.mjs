import { PHONE } from './visit.mjs';

const PASSWORD = 'quiet harbour tern';
const EMAIL = 'maris@example.org';

/** What was told of something done is off the screen again. */
const quiet = (page) =>
  page.getByRole('button', { name: /^(Undo|Close)$/ }).waitFor({ state: 'hidden', timeout: 20_000 });

/** A device that makes and keeps passkeys. */
async function withDevice(page) {
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

/**
 * Who plays at the stand, the people, an invitation; an account that looks after itself.
 * @param mail where letters are read
 */
export const people =
  (mail) =>
  async ({ page, take, link }) => {
    await page.getByRole('radio', { name: 'Tam' }).click();
    await take('who-plays');
    await link('Kit').click();
    await page.getByRole('button', { name: 'Household and account' }).click();
    await link(/^People/).click();
    await page.getByText('Maris').first().waitFor();
    await take('people-list');
    await link(/^Tam/).click();
    await link(/^Schools and hands/).click();
    await page.getByRole('radio', { name: /^B: One, the rosin zones last/ }).scrollIntoViewIfNeeded();
    await take('own-ways');

    const context = await page
      .context()
      .browser()
      .newContext({
        baseURL: new URL(page.url()).origin,
        viewport: PHONE,
        locale: 'en-GB',
        timezoneId: 'Europe/Lisbon',
        serviceWorkers: 'block',
      });
    const own = await context.newPage();
    const button = (name) => own.getByRole('button', { name, exact: true });
    await withDevice(own);
    await own.goto('/start');
    await own.getByLabel('Email').fill(EMAIL);
    await own.getByLabel('Password').fill(PASSWORD);
    await button('Make the account').click();
    await button('Violin').click();
    await button('Put it on the stand').click();
    await own.getByRole('button', { name: 'Start playing', disabled: false }).waitFor();
    await own.goto('/kit/people/add');
    await own.getByLabel('Name').fill('Ines');
    await own.getByRole('radio', { name: 'Helps' }).click();
    await own.getByRole('group', { name: 'Looks after for others' }).getByRole('checkbox', { name: 'Violin' }).click();
    await button('Add them').click();
    await own.getByLabel('Email, to send it').fill('ines@example.org');
    await button('Send the invitation').click();
    await own.getByText(/^Sent to/).waitFor();
    await quiet(own);
    await own.getByText(/^Sent to/).scrollIntoViewIfNeeded();
    await take('person', own);
    await own.goto('/kit/account/passkey');
    await own.getByLabel('What to call it').fill('Kitchen tablet');
    await own.getByLabel('Password').fill(PASSWORD);
    await button('Make the passkey').click();
    await own.getByText('The passkey is there.', { exact: false }).waitFor();
    await quiet(own);
    await take('account', own);
    const letters = await context.newPage();
    await letters.goto(`${mail}?to=ines@example.org`);
    await letters.getByRole('link', { name: /^Come and look after/ }).click();
    const frame = letters.frameLocator('iframe');
    await frame.getByRole('link').waitFor();
    await letters.locator('iframe').scrollIntoViewIfNeeded();
    await take('letter', letters);
    const invitation = await letters.getByRole('link', { name: /join#/ }).getAttribute('href');
    const outside = await page.context().browser().newContext({ viewport: PHONE, locale: 'en-GB' });
    const guest = await outside.newPage();
    await guest.goto(invitation);
    await guest.getByText('As Ines').waitFor();
    await take('invitation', guest);
    await guest.goto(new URL('/sign-in', invitation).href);
    await guest.getByRole('button', { name: 'Sign in with a passkey' }).waitFor();
    await take('sign-in', guest);
    await outside.close();
    await context.close();
  };
