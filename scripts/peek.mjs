import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright';
import { CHROMIUM } from './lib/chromium.mjs';
import { withThrowaway } from './lib/throwaway.mjs';
const [file, name, ...more] = process.argv.slice(2);
const walk = (await import(file))[name];
mkdirSync('/tmp/peek', { recursive: true });
await withThrowaway(async (env) => {
  const browser = await chromium.launch(CHROMIUM);
  const viewport = more.includes('wide') ? { width: 1280, height: 800 } : { width: 390, height: 844 };
  const context = await browser.newContext({ baseURL: env.TEMBRIN_URL, viewport, locale: 'en-GB', timezoneId: 'Europe/Lisbon', serviceWorkers: 'block', colorScheme: more.includes('dark') ? 'dark' : 'light' });
  const page = await context.newPage();
  const take = async (n, full = false) => { await page.evaluate(() => document.fonts.ready); await page.waitForTimeout(500); await page.screenshot({ path: `/tmp/peek/${n}${more.includes('wide') ? '-wide' : ''}.png`, fullPage: full }); };
  try { await walk({ page, take, env, browser, context }); } catch (e) { console.error(e); await take('failed'); }
  await browser.close();
});
