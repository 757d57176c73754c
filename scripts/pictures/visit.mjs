import { join } from 'node:path';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/**
 * One browser looking at a copy of the demo library of its own, with the few moves every tour makes.
 * @param folderOf where a picture of this name goes
 */
export async function visit(browser, url, { viewport, colorScheme = 'light', folderOf }, walk) {
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
  const take = async (name, of = page) => {
    // A page without scripts cannot be asked whether its type is there.
    if (of === page) await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(of === page ? 400 : 900);
    await of.screenshot({ path: join(folderOf(name), `${name}.png`) });
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
