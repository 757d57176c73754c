import { PHONE } from './visit.mjs';

const PASSWORD = 'quiet harbour tern';
const EMAIL = 'tam@example.org';

/** What was told of something done is off the screen again. */
const quiet = (page) =>
  page.getByRole('button', { name: /^(Undo|Close)$/ }).waitFor({ state: 'hidden', timeout: 20_000 });

/**
 * What would be told of the library; then a player who is told: in the app, by mail, on a phone, and where it is answered.
 * @param mail where letters are read
 * @param push where what phones would show is read
 */
export const reminders =
  (mail, push) =>
  async ({ page, take, link }) => {
    await link('Kit').click();
    await page.getByRole('button', { name: 'Household and account' }).click();
    await link(/^Reminders/).click();
    await page.getByText('To be told').waitFor();

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
    await own.goto('/start');
    await own.getByLabel('Email').fill(EMAIL);
    await own.getByLabel('Password').fill(PASSWORD);
    await button('Make the account').click();
    await button('Violin').click();
    await own.getByLabel('Name').fill('Heron');
    await button('Put it on the stand').click();
    await own.getByRole('button', { name: 'Start playing', disabled: false }).waitFor();
    await own.goto('/kit/reminders');
    await button('Tell this device').click();
    await own.getByRole('button', { name: /^Try / }).waitFor();
    await own.getByLabel('Nothing from').fill('00:00');
    await own.getByLabel('until', { exact: true }).fill('00:00');
    await button('Save').click();
    await own.getByText('Saved.').waitFor();
    await own.goto('/air/add');
    await own.getByLabel('Name').fill('Reading room');
    await own.getByRole('radio', { name: 'In the open' }).click();
    await button('Put it on record').click();
    await button('Read a hygrometer').click();
    await own.getByLabel('Humidity in %').fill('26');
    await button('Put it on record').click();
    const letters = await context.newPage();
    const letter = letters.getByRole('link', { name: 'Heron: the wood is too dry' });
    for (let tries = 0; tries < 60 && (await letter.count()) === 0; tries++) {
      await letters.goto(`${mail}?to=${EMAIL}`);
      await letters.waitForTimeout(500);
    }
    await letter.click();
    await letters.frameLocator('iframe').getByRole('link').first().waitFor();
    await letters.locator('iframe').scrollIntoViewIfNeeded();
    await take('reminder-letter', letters);
    const answer = await letters
      .getByRole('link', { name: /\/told#/ })
      .first()
      .getAttribute('href');
    await letters.goto(push);
    await take('reminder-push', letters);
    await own.goto('/kit/reminders');
    await own.getByText('Told lately').waitFor();
    await quiet(own);
    await take('reminders', own);
    await own.getByText('Digest on').scrollIntoViewIfNeeded();
    await own.getByText('Of what').first().scrollIntoViewIfNeeded();
    await take('reminders-when', own);
    await own.goto(answer);
    await own.getByText(/^Its wood rests at/).waitFor();
    await context.close();
  };
