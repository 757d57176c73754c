import {
  addInstrument,
  expect,
  keptOnDevice,
  openDemo,
  PASSWORD,
  signUp,
  standKept,
  startServer,
  test,
} from '../fixtures';
import type { Page } from '@playwright/test';

/** What was kept of the stand says of when it is; the stand itself does not. */
const keptStand = (page: Page) => page.getByRole('region', { name: /^As of / });
const stand = (page: Page) => page.getByRole('main');

test('the stand is there before the app is; what is pressed on it is done once the app has come', async ({
  browser,
}) => {
  // Nothing answers for the server here, so that the app can be held back.
  const context = await browser.newContext({ serviceWorkers: 'block', viewport: { width: 390, height: 844 } });
  const first = await context.newPage();
  await openDemo(first);
  await standKept(first);
  await first.close();

  const page = await context.newPage();
  let comes: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (comes = resolve));
  await page.route(/\/index-[0-9a-f]{32}\.js/, async (route) => {
    await held;
    await route.continue();
  });
  await page.goto('/now', { waitUntil: 'commit' });
  const kept = keptStand(page);
  await expect(kept.getByRole('heading', { level: 1, name: 'Heron' })).toBeVisible();
  await expect(kept.getByText(/^As of \w{3} \d\d:\d\d/)).toBeVisible();
  await kept.getByRole('button', { name: 'Start playing' }).click();
  comes();
  await expect(stand(page).getByRole('timer')).toBeVisible();
  await expect(kept).toBeHidden();
  await context.close();
});

test('with the network cut the stand opens from what is kept, and records', async ({ page }) => {
  const server = await startServer();
  await signUp(page, undefined, server.url);
  await addInstrument(page, 'Cello');
  await keptOnDevice(page);
  await standKept(page);
  await server.stop('SIGKILL');
  const again = await page.context().newPage();
  await page.close();
  await again.goto(`${server.url}/now`);
  await expect(stand(again).getByRole('heading', { level: 1, name: 'Cello' })).toBeVisible();
  await expect(keptStand(again)).toBeHidden();
  await expect(again.getByText(/^As of/)).toBeHidden();
  await stand(again).getByRole('button', { name: 'Start playing' }).click();
  await expect(again.getByRole('timer')).toBeVisible();
  await expect(again.getByText(/1 entry kept here/)).toBeVisible();
});

test('what another device recorded meanwhile shows as soon as it is read', async ({ page, browser }) => {
  const email = await signUp(page);
  await addInstrument(page, 'Viola');
  await keptOnDevice(page);
  await standKept(page);
  const again = await page.context().newPage();
  await page.close();

  const elsewhere = await (await browser.newContext()).newPage();
  await elsewhere.goto('/sign-in');
  await elsewhere.getByLabel('Email').fill(email);
  await elsewhere.getByLabel('Password').fill(PASSWORD);
  await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
  const sent = elsewhere.waitForResponse(
    (answer) => answer.url().endsWith('/events') && answer.request().method() === 'POST',
  );
  await elsewhere.getByRole('button', { name: 'Start playing' }).click();
  await (await sent).finished();

  await again.goto('/now');
  await expect(stand(again).getByRole('timer')).toBeVisible();
  await expect(keptStand(again)).toBeHidden();
  await elsewhere.context().close();
});

test('what is kept may have gone bad: the stand opens without it', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await keptOnDevice(page);
  await standKept(page);
  // What is kept as read by this build, and of this household, but eaten into.
  await page.evaluate(() => {
    localStorage.setItem('tembrin-drawn', '{"html":"<h1');
    const judged = JSON.parse(localStorage.getItem('tembrin-judged')!) as { assessment: { log: object } };
    const { log } = judged.assessment;
    localStorage.setItem('tembrin-judged', JSON.stringify({ ...judged, assessment: { log } }));
  });
  const again = await page.context().newPage();
  await page.close();
  await again.goto('/now');
  await expect(stand(again).getByRole('button', { name: 'Start playing' })).toBeEnabled();
  await stand(again).getByRole('button', { name: 'Start playing' }).click();
  await expect(again.getByRole('timer')).toBeVisible();
});
