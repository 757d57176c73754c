import { join } from 'node:path';
import { CHROMIUM } from './lib/chromium.mjs';
import { ROOT } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/** Takes the pictures in docs/screenshots anew, of the demo library. */
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };

/** One browser looking at a copy of the demo library of its own, with the few moves every tour makes. */
async function visit(browser, url, viewport, colorScheme, walk) {
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
  const link = (name) => page.getByRole('link', { name });
  const heading = (name) => page.getByRole('heading', { name }).first().waitFor();
  const take = async (name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  };
  const stand = async (name) => {
    await page.getByRole('button', { name: /is on the stand/ }).click();
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    await page.getByRole('heading', { level: 1, name }).waitFor();
  };
  const now = () => page.getByRole('link', { name: 'Now', exact: true }).click();
  /** Plays a moment and goes so many steps into the closing round. */
  const closing = async (steps) => {
    await page.getByRole('button', { name: 'Start playing', disabled: false }).click();
    await page.getByRole('timer').waitFor();
    await button('Finish').click();
    const knots = page.getByRole('progressbar');
    await knots.waitFor();
    for (let step = 1; step <= steps; step++) {
      await button('Done').click();
      await page.waitForFunction(
        (at) => document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') === at,
        String(step),
      );
    }
  };
  await page.goto('/');
  await button('Look round the demo library').click();
  await page.getByRole('button', { name: 'Start playing', disabled: false }).waitFor({ timeout: 60_000 });
  await walk({ page, button, link, heading, take, stand, now, closing });
  await context.close();
}

async function phone({ page, button, link, heading, take, stand, now, closing }) {
  await take('now-before');
  await link(/^Strings/).click();
  await button('Fitted new strings').waitFor();
  await take('working-strings');
  await now();
  await stand('Bittern');
  await link(/^Before you play/).click();
  await heading('Before you play');
  await take('opening');
  await button('Start playing').click();
  await page.getByRole('timer').waitFor();
  await page.waitForTimeout(1500);
  await take('now-playing');
  await button('Finish').click();
  await button('Later').click();
  for (const [name, steps, picture] of [
    ['Heron', 3, 'closing-violin'],
    ['Plover', 1, 'closing-guitar'],
    ['Tern', 1, 'closing-harp'],
  ]) {
    await stand(name);
    await closing(steps);
    await take(picture);
    await button('Later').click();
  }
  await stand('Bittern');
  await button('Go on with the closing round').click();
  await page.getByRole('progressbar').waitFor();
  for (let step = 0; step < 5; step++) {
    await button('Done').click();
    await page.waitForTimeout(250);
  }
  await take('closing-cello');
  await button('Later').click();
  await stand('Wren');
  await link(/^Residue/).click();
  await page.getByRole('radiogroup', { name: 'Zones' }).waitFor();
  await take('residue');
  await link('Bench').click();
  await link(/^What may I use/).click();
  await page.getByRole('radio', { name: 'Wound strings' }).click();
  await page.getByRole('radio', { name: /^Spirit/ }).click();
  await take('may-use');
  await button('Back').click();
  await link(/^Turn the screw/).click();
  for (let turn = 0; turn < 10; turn++) await button('Tighter').click();
  await take('drill-screw');
  await button('Back').click();
  await link(/^Before the lid shuts/).click();
  await heading('Before the lid shuts');
  await take('drill-case');
  await link('Kit').click();
  await link(/^Wren, Violin 1\/2. Residue/).waitFor({ timeout: 60_000 });
  await take('kit');
  await link(/^Wren/).click();
  await heading('History');
  await take('instrument');
  await link(/^Set-up sheet/).click();
  await heading('Set-up sheet');
  await take('set-up');
}

async function dark({ page, button, take, closing }) {
  await closing(2);
  await button('Hands-busy view').click();
  await page.getByText('Tap anywhere').waitFor();
  await take('hands-busy-dark');
}

async function wide({ button, link, heading, take }) {
  await take('now-before-wide');
  await link('Bench').click();
  await heading('Learn');
  await take('bench-wide');
  await link('Kit').click();
  await button('Household and account').click();
  await link(/^Schools/).click();
  await heading('Schools');
  await take('schools-wide');
}

await withThrowaway(async ({ TEMBRIN_URL }) => {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  await visit(browser, TEMBRIN_URL, PHONE, 'light', phone);
  await visit(browser, TEMBRIN_URL, PHONE, 'dark', dark);
  await visit(browser, TEMBRIN_URL, WIDE, 'light', wide);
  await browser.close();
});
