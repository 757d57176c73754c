import { createHash } from 'node:crypto';
import { cpSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, keptOnDevice, signUp, startServer, test } from '../fixtures';

const WEB = '_expo/static/js/web';
let before: string;
let next: string;
/** The program of the next build. */
let nameOfNext: string;

/** The build that would follow: two words of it are others, and so are the names of its files. */
test.beforeAll(async () => {
  const { makeServiceWorker } = await import('../../scripts/build.mjs');
  before = process.env.STATIC_DIR!;
  next = mkdtempSync(join(tmpdir(), 'tembrin-next-build-'));
  cpSync(before, next, { recursive: true });
  const file = readdirSync(join(next, WEB)).find((name) => /^index-[0-9a-f]{32}\.js$/.test(name))!;
  const text = readFileSync(join(next, WEB, file), 'utf8');
  const changed = text.replace('Start playing', 'Begin playing');
  expect(changed).not.toBe(text);
  nameOfNext = `index-${createHash('md5').update(changed).digest('hex')}.js`;
  renameSync(join(next, WEB, file), join(next, WEB, nameOfNext));
  writeFileSync(join(next, WEB, nameOfNext), changed);
  const page = join(next, 'index.html');
  writeFileSync(page, readFileSync(page, 'utf8').replace(file, nameOfNext));
  await makeServiceWorker(next);
  // Packed as they were before.
  for (const stale of [join(WEB, file), 'index.html', 'sw.js'])
    for (const end of ['.br', '.gz']) rmSync(join(next, stale + end), { force: true });
});
test.afterAll(() => rmSync(next, { recursive: true, force: true }));

const eventTypes = (page: Page) =>
  page.evaluate(async () => {
    const answer = (await (await fetch('/api/v1/events')).json()) as { events: { type: string }[] };
    return answer.events.map(({ type }) => type);
  });

for (const serviceWorkers of ['allow', 'block'] as const)
  test(`a new build opens with all that was there, and sends what was not sent (service worker: ${serviceWorkers})`, async ({
    browser,
  }) => {
    const context = await browser.newContext({ serviceWorkers });
    const page = await context.newPage();
    const server = await startServer();
    await signUp(page, undefined, server.url);
    await addInstrument(page, 'Cello');
    if (serviceWorkers === 'allow') await keptOnDevice(page);
    await server.stop();
    await page.getByRole('button', { name: 'Start playing' }).click();
    await expect(page.getByText(/The server is out of reach. 1 entry kept here/)).toBeVisible();

    // As the launcher does after a build: the one before is served besides.
    const again = await startServer(server.port, { STATIC_DIR: next, STATIC_BEFORE_DIR: before });
    await page.goto(`${again.url}/now`);
    await expect(page.getByRole('timer')).toBeVisible();
    await expect(page.getByText(/out of reach/)).toBeHidden();
    await expect.poll(() => eventTypes(page)).toEqual(['session-began']);
    for (const path of ['/kit', '/year', '/now']) {
      await page.goto(again.url + path);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    }
    const tab = await context.newPage();
    await tab.goto(`${again.url}/now`);
    // It is the new build that runs.
    expect(await tab.evaluate(() => Array.from(document.scripts, ({ src }) => src).join())).toContain(nameOfNext);
    await expect(tab.getByRole('timer')).toBeVisible();
    await tab.getByRole('button', { name: 'Finish' }).click();
    await expect.poll(() => eventTypes(tab)).toEqual(['session-began', 'session-ended']);

    await context.close();
    await again.stop();
  });

test('an app that draws nothing says so, and what to do; reloading it, all is there', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.evaluate(async () => {
    for (const each of await navigator.serviceWorker.getRegistrations()) await each.unregister();
    for (const name of await caches.keys()) await caches.delete(name);
  });
  const program = /\/index-[0-9a-f]{32}\.js$/;
  await page.route(program, (route) => route.fulfill({ contentType: 'text/javascript', body: '' }));
  await page.goto('/kit');
  await expect(page.getByRole('alert')).toContainText('Tembrin has not opened.', { timeout: 20_000 });
  await page.getByRole('button', { name: 'Sign in again' }).click();
  await expect(page).toHaveURL(/\/sign-in$/);
  await expect(page.getByRole('alert')).toBeVisible({ timeout: 20_000 });
  await page.unroute(program);
  await page.getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
  await expect(page.getByRole('alert')).toBeHidden();
  await expectAccessible(page, 'sign-in');
});
