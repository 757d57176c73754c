import { createConnection } from 'mariadb';
import {
  expectAccessible,
  addInstrument,
  closeTheRound,
  expect,
  keptOnDevice,
  signUp,
  startServer,
  test,
} from '../fixtures';

const CELLO_ROUND = [
  'Slacken the bow',
  'Wipe the stick',
  'Wipe the strings',
  'Wipe the rosin zones',
  'Wipe where hands were',
  'Endpin in',
  'Into the case',
  'Close every zip',
];

test('the server stops mid-session: playing goes on, a reload loses nothing, and all is sent once it is back', async ({
  page,
}) => {
  const server = await startServer();
  await signUp(page, undefined, server.url);
  await addInstrument(page, 'Cello');
  await keptOnDevice(page);
  const began = page.waitForResponse(
    (answer) => answer.url().endsWith('/events') && answer.request().method() === 'POST',
  );
  await page.getByRole('button', { name: 'Start playing' }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  // Its answer is here to the last letter.
  await (await began).finished();

  await server.stop('SIGKILL');
  await page.getByRole('button', { name: 'Rosined just now' }).click();
  await expect(page.getByText(/The server is out of reach. 1 entry kept here/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('timer')).toBeVisible();
  await closeTheRound(page, CELLO_ROUND);
  await expect(page.getByText(/10 entries kept here/)).toBeVisible();

  const again = await startServer(server.port);
  // Unless it has been tried by itself meanwhile.
  await page
    .getByRole('button', { name: 'Try now' })
    .click({ timeout: 3_000 })
    .catch(() => undefined);
  await expect(page.getByText(/out of reach/)).toBeHidden();

  // What the server now has, as a fresh browser sees it.
  const { events } = await page.evaluate(
    async () => (await fetch('/api/v1/events')).json() as Promise<{ events: { id: string; type: string }[] }>,
  );
  expect(events.map(({ type }) => type).sort()).toEqual([
    'rosined',
    'session-began',
    'session-ended',
    ...CELLO_ROUND.map(() => 'step-done'),
  ]);
  expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
  await page.reload();
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Cello/ }).click();
  await expect(page.getByRole('button', { name: /Correct or retract the session/ })).toHaveCount(1);
  await expect(page.getByText('Closing round 8 of 8')).toBeVisible();
  await again.stop();
});

test('the clock survives a reload and shows in a second tab, and what one tab does the other shows', async ({
  page,
  context,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('button', { name: 'Start playing' }).click();
  await expect(page.getByRole('timer')).toHaveText(/00:0[3-9]/, { timeout: 9_000 });
  await page.reload();
  await expect(page.getByRole('timer')).toHaveText(/00:(0[3-9]|[1-5]\d)/);

  const second = await context.newPage();
  await second.goto('/now');
  await expect(second.getByRole('timer')).toBeVisible();
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(second.getByRole('button', { name: 'Go on with the closing round' })).toBeVisible();
  await expect(second.getByRole('timer')).toBeHidden();
  await second.getByRole('button', { name: 'Go on with the closing round' }).click();
  await second.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Wipe the stick' })).toBeVisible();
});

test('a session signed out elsewhere keeps its entries until the next sign-in', async ({ page, context }) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  await context.clearCookies();
  await page.getByRole('link', { name: /^Rosin/ }).click();
  await page.getByRole('button', { name: 'Rosined now' }).click();
  await expect(page.getByText('You are signed out. Sign in to send 1 entry kept here.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByText(/One entry recorded here is not sent yet\. Sign in to the account/)).toBeVisible();
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill('quiet harbour tern');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeVisible();
  await expect(page.getByText('You are signed out')).toBeHidden();
  const { events } = await page.evaluate(
    async () => (await fetch('/api/v1/events')).json() as Promise<{ events: { type: string }[] }>,
  );
  expect(events.map(({ type }) => type)).toEqual(['rosined']);
});

test('a price entered while the server is away shows, survives a reload, and is sent once it is back', async ({
  page,
}) => {
  const server = await startServer();
  await signUp(page, undefined, server.url);
  await addInstrument(page, 'Guitar');
  await page.getByRole('link', { name: /^Strings/ }).click();
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByRole('link', { name: /^What it costs/ }).click();
  await page.getByLabel('Currency').fill('gbp');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
  await keptOnDevice(page);

  await server.stop('SIGKILL');
  await page.getByRole('button', { name: /^New strings.*price for Guitar$/ }).click();
  await page.getByLabel('From, in GBP').fill('9');
  await page.getByLabel('To, in GBP').fill('14');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  const total = page.getByText(/^in the year ahead, between £/);
  await expect(total).toBeVisible();
  await expect(page.getByText(/The server is out of reach. 1 entry kept here/)).toBeVisible();
  await page.reload();
  await expect(total).toBeVisible();

  const again = await startServer(server.port);
  await page
    .getByRole('button', { name: 'Try now' })
    .click({ timeout: 3_000 })
    .catch(() => undefined);
  await expect(page.getByText(/out of reach/)).toBeHidden();
  const { cards } = await page.evaluate(
    async () => (await fetch('/api/v1/cards')).json() as Promise<{ cards: { kind: string }[] }>,
  );
  expect(cards.map(({ kind }) => kind)).toEqual(['price']);
  await again.stop();
});

test('after an older backup was put back, the device sends again what the server lost', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: /^Rosin/ }).click();
  const events = () =>
    page.evaluate(async () => ((await (await fetch('/api/v1/events')).json()) as { events: { id: string }[] }).events);
  for (const count of [1, 2]) {
    await page.getByRole('button', { name: 'Rosined now' }).click();
    await expect.poll(async () => (await events()).length).toBe(count);
  }
  await page.reload();
  await expect(page.getByRole('button', { name: 'Rosined now' })).toBeVisible();
  const before = (await events()).map(({ id }) => id);
  // The backup is of the time before the second entry; what puts it back gives the log another epoch.
  const { DATABASE_HOST: host, DATABASE_PORT: port, DATABASE_NAME: database } = process.env;
  const { DATABASE_USER: user, DATABASE_PASSWORD: password } = process.env;
  const connection = await createConnection({ host, port: Number(port), database, user, password });
  const [row] = (await connection.query('SELECT householdId FROM events WHERE id = ?', [before[1]])) as {
    householdId: string;
  }[];
  await connection.query('DELETE FROM events WHERE id = ?', [before[1]]);
  await connection.query('UPDATE households SET logEpoch = UUID(), logNumber = 1 WHERE id = ?', [row!.householdId]);
  await connection.end();
  expect(await events()).toHaveLength(1);
  await page.reload();
  await expect.poll(async () => (await events()).map(({ id }) => id)).toEqual(before);
});

test.describe('without the app kept on the device', () => {
  test.use({ serviceWorkers: 'block' });

  test('a page whose part cannot be fetched any more, as after a new build, is reloaded once and goes on', async ({
    page,
  }) => {
    await signUp(page);
    await addInstrument(page, 'Violin');
    let gone = true;
    await page.route(/web\/year-pages-[0-9a-f]+\.js/, (route) =>
      gone ? route.fulfill({ status: 404, body: 'gone' }) : route.continue(),
    );
    const year = page.getByRole('link', { name: 'Year', exact: true });
    await year.click();
    await expect(page.getByRole('heading', { level: 1, name: 'This page failed' })).toBeVisible();
    await expectAccessible(page, 'a page that failed');
    gone = false;
    await page.getByRole('button', { name: 'Reload it' }).click();
    await expect(page.getByRole('button', { name: 'Start playing' })).toBeVisible();
    await year.click();
    await expect(page.getByRole('heading', { level: 1, name: 'Year' })).toBeVisible();
  });

  test('a page that is long on its way says so, and can be left', async ({ page }) => {
    await signUp(page);
    await addInstrument(page, 'Violin');
    let letGo = () => {};
    const held = new Promise<void>((resolve) => (letGo = resolve));
    await page.route(/web\/year-pages-[0-9a-f]+\.js/, async (route) => {
      await held;
      await route.continue();
    });
    const year = page.getByRole('link', { name: 'Year', exact: true });
    const waiting = page.getByRole('status').filter({ hasText: 'Working it out …' });
    await year.click();
    await expect(waiting).toBeVisible();
    await page.getByRole('link', { name: 'Now', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Start playing' })).toBeVisible();
    await year.click();
    await expect(waiting).toBeVisible();
    letGo();
    await expect(page.getByRole('heading', { level: 1, name: 'Year' })).toBeVisible();
    await expect(waiting).toBeHidden();
  });
});
