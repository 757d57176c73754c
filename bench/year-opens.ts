import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { DAY_MS, HOUR_MS, usualFacts, type LogEvent } from '@tembrin/core';
import { chromium } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { CHROMIUM } from '../scripts/lib/chromium.mjs';
import { median } from './log';

/** How long the Year takes to open for a cupboard of sixty instruments, and what judging them all does to the thread that draws, on a processor slowed down four times. */
const INSTRUMENTS = 60;
const SESSIONS = 120;
const SLOWER = 4;
const LIMIT_MS = 200;
const ROUNDS = 7;

const url = process.env.TEMBRIN_URL!;
const browser = await chromium.launch(CHROMIUM);
const context = await browser.newContext({
  baseURL: url,
  viewport: { width: 390, height: 844 },
  serviceWorkers: 'block',
});
const send = async (path: string, data: unknown) => {
  const answer = await context.request.post(API_ROOT + path, { data, headers: { [REQUEST_HEADER]: '1' } });
  if (!answer.ok()) throw new Error(`${path}: ${answer.status()} ${await answer.text()}`);
};
await send('/accounts', { email: `${uuid()}@example.org`, password: 'quiet harbour tern', timeZone: 'Europe/Lisbon' });
const now = Date.now();
for (let at = 0; at < INSTRUMENTS; at++) {
  const instrumentId = uuid();
  const family = (['violin', 'viola', 'cello', 'bass', 'guitar', 'harp'] as const)[at % 6]!;
  await send('/instruments', { id: instrumentId, name: `Number ${at + 1}`, ...usualFacts(family) });
  const event = (type: string, atMs: number, payload: unknown) => {
    const time = new Date(atMs).toISOString();
    return { id: uuid(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as LogEvent;
  };
  const bowed = at % 6 < 4;
  const events = [
    event('strings-fitted', now - (40 + 5 * at) * DAY_MS, { strings: null, reason: 'worn', known: true }),
    ...(bowed ? [event('rehaired', now - (60 + 6 * at) * DAY_MS, { reason: 'worn', known: true })] : []),
    event('checked-up', now - (20 + 2 * at) * DAY_MS, { known: true }),
    ...Array.from({ length: SESSIONS }, (_, day) => {
      const from = now - (day * 2 + 1) * DAY_MS - 5 * HOUR_MS;
      return event('session-entered', from, { endedAt: new Date(from + HOUR_MS / 2).toISOString() });
    }),
  ];
  for (let from = 0; from < events.length; from += 150)
    await send('/events', { events: events.slice(from, from + 150) });
}

const page = await context.newPage();
// What is evaluated in the page was compiled with names kept by a helper that the page does not have.
await page.addInitScript('globalThis.__name = (each) => each');
await page.goto('/now');
await page.getByRole('button', { name: 'Start playing' }).waitFor();
// Long enough for all of the log to be there, and judged while nothing else was to be done.
await page.waitForTimeout(12_000);
const devtools = await context.newCDPSession(page);
await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
const visit = async (link: string, sign: string) =>
  page.evaluate(
    ([name, text]) =>
      new Promise<number>((resolve) => {
        const began = performance.now();
        const seen = () => document.body.innerText.includes(text!);
        const look = () =>
          seen() ? requestAnimationFrame(() => resolve(performance.now() - began)) : setTimeout(look, 4);
        Array.from(document.querySelectorAll('a'))
          .find((each) => each.textContent === name)!
          .click();
        look();
      }),
    [link, sign],
  );
const runs: number[] = [];
const others: number[] = [];
for (let round = 0; round < ROUNDS; round++) {
  runs.push(await visit('Year', 'The next visit to the workshop'));
  others.push(await visit('Bench', 'Leaving home'));
}
const [took, baseline] = [median(runs), median(others)];
console.log(
  `The Year of ${INSTRUMENTS} instruments opens in ${took.toFixed(0)} ms on a processor ${SLOWER} times slower (limit ${LIMIT_MS}; ` +
    `first ${runs[0]!.toFixed(0)} ms), ${(took / baseline).toFixed(1)} × the Bench (${baseline.toFixed(0)} ms)`,
);

// Two hours on, every instrument is judged anew while a screen stands that shows one of them.
const LONG_MS = 50;
const SETTLED_MS = 6000;
await page.close();
const watched = await context.newPage();
await watched.addInitScript('globalThis.__name = (each) => each');
await watched.addInitScript(() => {
  const seen = Object.assign(globalThis, { longest: 0, taking: 0 });
  // The page's clock is the test's own; an event still carries the true time.
  const nowMs = () => new Event('moment').timeStamp;
  globalThis.Worker = class extends Worker {
    override set onmessage(take: (event: MessageEvent) => void) {
      super.onmessage = (event) => {
        const began = nowMs();
        take(event);
        seen.taking = Math.max(seen.taking, nowMs() - began);
      };
    }
  };
});
await watched.clock.install();
await watched.goto('/bench');
await watched.getByText('Leaving home').first().waitFor();
await watched.waitForTimeout(12_000);
await (await context.newCDPSession(watched)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
await watched.evaluate(() => {
  const seen = Object.assign(globalThis, { longest: 0, taking: 0 });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) seen.longest = Math.max(seen.longest, duration);
  }).observe({ entryTypes: ['longtask'] });
});
const tasks: number[] = [];
const taking: number[] = [];
for (let round = 0; round < ROUNDS; round++) {
  await watched.clock.fastForward('02:00:00');
  await watched.waitForTimeout(SETTLED_MS);
  const seen = await watched.evaluate(() => {
    const { longest, taking } = globalThis as unknown as { longest: number; taking: number };
    Object.assign(globalThis, { longest: 0, taking: 0 });
    return { longest, taking };
  });
  tasks.push(seen.longest);
  taking.push(seen.taking);
}
const words = (ms: number) => (ms === 0 ? `none over ${LONG_MS}` : `${ms.toFixed(0)} ms`);
const spread = (each: number[]) => `median ${words(median(each))}, longest ${words(Math.max(...each))}`;
console.log(
  `Judging ${INSTRUMENTS} instruments anew, ${ROUNDS} times: the thread that draws is held by taking in a verdict ` +
    `(${spread(taking)}; limit ${LONG_MS}), and by drawing the one on screen (longest task: ${spread(tasks)})`,
);
await browser.close();
