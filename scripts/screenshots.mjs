import { join } from 'node:path';
import { CHROMIUM } from './lib/chromium.mjs';
import { ROOT } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/** Takes the pictures in docs/screenshots anew, of the demo library. */
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
async function tour(browser, url, viewport, colorScheme, suffix) {
  const context = await browser.newContext({
    baseURL: url,
    viewport,
    colorScheme,
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  const button = (name) => page.getByRole('button', { name, exact: true });
  const take = async (name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}${suffix}.png`) });
  };
  await page.goto('/');
  await button('Start your own').waitFor();
  const phone = viewport === PHONE && colorScheme === 'light';
  if (phone) await take('welcome');
  await button('Look round the demo library').click();
  await page.getByRole('button', { name: 'Start playing', disabled: false }).waitFor({ timeout: 60_000 });
  await take('now-before');
  if (phone || viewport === WIDE) {
    await page.getByRole('link', { name: /^Strings/ }).click();
    await button('Fitted new strings').waitFor();
    await take('working-strings');
    await page.getByRole('link', { name: 'Now', exact: true }).click();
  }
  await button('Start playing').click();
  await page.getByRole('timer').waitFor();
  if (phone) {
    await page.waitForTimeout(1500);
    await take('now-playing');
  }
  await button('Finish').click();
  await page.getByRole('heading', { name: 'Slacken the bow' }).waitFor();
  for (let step = 0; step < 3; step++) {
    await button('Done').click();
    await page.waitForTimeout(200);
  }
  await take('closing-round');
  await button('Later').click();
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Wren, Violin 1\/2. Residue/ }).waitFor({ timeout: 60_000 });
  await take('kit');
  if (phone) {
    await page.getByRole('link', { name: /^Wren/ }).click();
    await page.getByRole('heading', { name: 'History' }).waitFor();
    await take('instrument');
    await page.getByRole('link', { name: 'Kit' }).click();
    await button('Add an instrument').click();
    await page.getByRole('heading', { name: 'What do you play?' }).waitFor();
    await take('add-instrument');
  }
  await context.close();
}

await withThrowaway(async ({ TEMBRIN_URL }) => {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  await tour(browser, TEMBRIN_URL, PHONE, 'light', '');
  await tour(browser, TEMBRIN_URL, PHONE, 'dark', '-dark');
  await tour(browser, TEMBRIN_URL, WIDE, 'light', '-wide');
  await browser.close();
});
