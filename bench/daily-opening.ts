import { chromium, type BrowserContext } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/chromium.mjs';
import { median } from './log';

/**
 * The opening of every day: the app is kept on the device, its data too, and the stand is opened once more. Chromium slowed down
 * fourfold; baseline: the same browser opening the favicon from the same server.
 */
const url = process.env.TEMBRIN_URL!;
const RUNS = 9;

interface Opening {
  painted: number;
  readable: number;
  usable: number;
  longest: number;
}

async function slowed(context: BrowserContext) {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  return page;
}

async function opening(context: BrowserContext): Promise<Opening> {
  const page = await slowed(context);
  await page.addInitScript(() => {
    const seen: number[] = [];
    Object.assign(window, { longTasks: seen });
    new PerformanceObserver((list) => seen.push(...list.getEntries().map(({ duration }) => duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
  const began = Date.now();
  await page.goto(`${url}/now`, { waitUntil: 'commit' });
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  const readable = Date.now() - began;
  await page.getByRole('button', { name: 'Start playing', disabled: false }).waitFor();
  const usable = Date.now() - began;
  const [painted, longest] = await page.evaluate(() => [
    performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
    Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks),
  ]);
  await page.close();
  return { painted: painted!, readable, usable, longest: longest! };
}

async function baseline(context: BrowserContext): Promise<number> {
  const page = await slowed(context);
  const began = Date.now();
  await page.goto(`${url}/favicon.svg`);
  const ms = Date.now() - began;
  await page.close();
  return ms;
}

/** A figure with how far its runs lie apart; said where that is too far to tell anything. */
function told(name: string, values: number[], base: number): string {
  const middle = median(values);
  const sorted = values.toSorted((a, b) => a - b);
  const spread = (sorted[Math.ceil(sorted.length * 0.75) - 1]! - sorted[Math.floor(sorted.length * 0.25)]!) / middle;
  return `${name}: ${middle.toFixed(0)} ms, ${(middle / base).toFixed(1)} × baseline${spread > 0.25 ? ' (noisy)' : ''}`;
}

async function main() {
  const browser = await chromium.launch(CHROMIUM);
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const answer = await context.request.post(`${url}/api/v1/demo`, {
    data: { timeZone: 'Europe/Lisbon' },
    headers: { 'x-tembrin': '1' },
  });
  if (!answer.ok()) throw new Error(await answer.text());
  // Twice before it counts: the second time all of it comes from what is kept.
  for (let visit = 0; visit < 2; visit++) {
    const page = await context.newPage();
    await page.goto(`${url}/now`);
    await page.getByRole('button', { name: 'Start playing', disabled: false }).waitFor();
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await page.waitForTimeout(4000);
    await page.close();
  }
  const bases: number[] = [];
  const runs: Opening[] = [];
  for (let run = 0; run < RUNS; run++) {
    bases.push(await baseline(context));
    runs.push(await opening(context));
  }
  await browser.close();
  const base = median(bases);
  const of = (part: keyof Opening) => runs.map((run) => run[part]);
  console.log(
    `Daily opening of the demo library, all of it kept, CPU slowed fourfold (median of ${RUNS}; baseline ${base} ms)\n`,
  );
  console.log(told('First paint', of('painted'), base));
  console.log(told('Readable', of('readable'), base));
  console.log(told('Usable', of('usable'), base));
  console.log(told('Longest task', of('longest'), base));
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
