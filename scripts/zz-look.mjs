import { CHROMIUM } from './lib/chromium.mjs';
import { withThrowaway } from './lib/throwaway.mjs';
import { mkdirSync } from 'node:fs';
const out = '/tmp/shots'; mkdirSync(out,{recursive:true});
await withThrowaway(async ({ TEMBRIN_URL }) => {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  const tour = await import('/tmp/pic/tour.mjs');
  for (const [name, viewport] of [['p', { width: 390, height: 844 }], ['w', { width: 1280, height: 800 }]]) {
    if (tour.only && tour.only !== name) continue;
    const page = await browser.newPage({ viewport, locale: 'en-GB', timezoneId: 'Europe/Lisbon' });
    page.on('pageerror', (e) => console.log('PAGEERROR', e.message.slice(0,300)));
    page.on('console', (m) => m.type()==='error' && console.log('CONSOLE', m.text().slice(0,300)));
    await page.goto(TEMBRIN_URL);
    await page.getByRole('button', { name: /Look round/ }).click();
    await page.waitForURL(/now/);
    await page.getByRole('heading', { name: 'Heron' }).waitFor();
    await page.getByRole('button', { name: 'Start playing' }).waitFor();
    await page.waitForTimeout(6000);
    const shot = (n) => page.screenshot({ path: `${out}/${name}-${n}.png` });
    try { await tour.default(page, shot, name); } catch (e) { console.log('TOUR', name, e.message.slice(0,500)); await shot('fail'); }
    await page.close();
  }
  await browser.close();
});
