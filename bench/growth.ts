import { DAY_MS, HOUR_MS, usualFacts, type LogEvent } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { benchDatabase } from './database';
import { insertEvents } from '../server/src/store/event-rows';
import { median } from './log';
import { posted, settled, QuietBrowser, type QuietPage } from './quiet-browser';

/**
 * A cupboard of sixty instruments played for ten years, 500,000 entries, on one phone: how long it takes until the first of them can be
 * played, until all of its log is on the device, how it opens the next day, and what an entry takes, there and on the server. Chromium
 * slowed down fourfold; the server's entry against the same in a household with a log of a day.
 */
const INSTRUMENTS = Number(process.env.INSTRUMENTS ?? 60);
const DAYS = 3650;
const ENTRIES = Number(process.env.ENTRIES ?? 500_000);
const SLOWED = 4;
const RUNS = 9;
/** Entries that are sent before the server looks at what there is to tell, and how long it does. */
const ENTRIES_ASKED = 15;
const LOOKED_MS = 40_000;
const url = process.env.TEMBRIN_URL!;

const button = (text: string) => `//*[@id="root"]//button[contains(., "${text}") and not(@disabled)]`;

function eventsOf(instrumentId: string, count: number, nowMs: number): LogEvent[] {
  const events: LogEvent[] = [];
  const add = (type: LogEvent['type'], atMs: number, payload: object) => {
    const time = new Date(atMs).toISOString();
    const event = { id: uuid({ msecs: atMs }), instrumentId, type, occurredAt: time, recordedAt: time, payload };
    events.push(event as LogEvent);
    return event.id;
  };
  const sessions = Math.floor(count / 3);
  for (let session = 0; session < sessions; session++) {
    const at = nowMs - DAYS * DAY_MS * (1 - session / sessions) - 3 * HOUR_MS;
    const sessionId = add('session-began', at, {});
    add('session-ended', at + 0.7 * HOUR_MS, { sessionId });
    add('step-done', at + 0.71 * HOUR_MS, { step: 'slacken', sessionId });
  }
  return events;
}

/** A household with so many entries for each of its instruments, whoever is signed in in this page. */
async function cupboard(page: QuietPage, instruments: number, entries: number): Promise<string> {
  const account = { email: `${uuid()}@example.org`, password: 'quiet harbour tern', timeZone: 'Europe/Lisbon' };
  await page.evaluate(posted('/accounts', account));
  const { id: householdId } = await page.evaluate<{ id: string }>(
    `fetch('/api/v1/household').then((answer) => answer.json())`,
  );
  const database = benchDatabase();
  let first = '';
  let number = 0;
  for (let at = 0; at < instruments; at++) {
    const id = uuid();
    first ||= id;
    await page.evaluate(posted('/instruments', { id, name: `Number ${at + 1}`, ...usualFacts('violin') }));
    const events = eventsOf(id, entries, Date.now());
    await database.sequelize.transaction((transaction) =>
      insertEvents(transaction, householdId, events, number, new Date()),
    );
    number += events.length;
  }
  await database.sequelize.query('UPDATE households SET logNumber = :number WHERE id = :householdId', {
    replacements: { number, householdId },
  });
  await database.close();
  return first;
}

/** What one entry takes, asked by a page that is not slowed down, ms. */
async function entryTime(page: QuietPage, instrumentId: string): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < ENTRIES_ASKED; run++) {
    const time = new Date(Date.now() - 60_000).toISOString();
    const event = { id: uuid(), instrumentId, type: 'rosined', occurredAt: time, recordedAt: time, payload: {} };
    const began = `const began = performance.now(); return ${posted('/events', { events: [event] })}`;
    times.push(await page.evaluate<number>(`(() => { ${began}.then(() => performance.now() - began); })()`));
  }
  return median(times);
}

const ON_DEVICE = `(async () => {
  const [{ name }] = (await indexedDB.databases()).filter(({ name }) => /^tembrin-[0-9a-f]{8}-/.test(name));
  const store = await new Promise((resolve) => {
    const asked = indexedDB.open(name);
    asked.onsuccess = () => resolve(asked.result);
  });
  const count = await new Promise((resolve) => {
    const asked = store.transaction('events').objectStore('events').count();
    asked.onsuccess = () => resolve(asked.result);
  });
  store.close();
  return count;
})()`;

async function main() {
  const browser = QuietBrowser.launch();
  const small = await browser.page(await browser.context());
  await small.go(`${url}/favicon.svg`, '/*');
  const only = await cupboard(small, 1, 9);
  await small.evaluate(settled(5000));
  const smallEntry = await entryTime(small, only);
  await small.close();

  const context = await browser.context();
  const seed = await browser.page(context);
  await seed.go(`${url}/favicon.svg`, '/*');
  const first = await cupboard(seed, INSTRUMENTS, Math.ceil(ENTRIES / INSTRUMENTS));
  await seed.evaluate(settled(LOOKED_MS));
  const entry = await entryTime(seed, first);
  console.log(`${ENTRIES} entries of ${INSTRUMENTS} instruments, CPU slowed fourfold\n`);
  console.log(
    `One entry at the server: ${entry.toFixed(1)} ms, ${(entry / smallEntry).toFixed(2)} × baseline (one instrument, a day)`,
  );
  await seed.close();

  const page = await browser.page(context, SLOWED);
  const began = Date.now();
  await page.go(`${url}/now`, button('Start playing'));
  console.log(`First opening, usable: ${((Date.now() - began) / 1000).toFixed(1)} s`);
  for (let count = 0; count < ENTRIES - 100; count = await page.evaluate<number>(ON_DEVICE))
    await page.evaluate(settled(2000));
  console.log(`All of the log on the device: ${((Date.now() - began) / 1000).toFixed(1)} s`);
  await page.evaluate(settled(60_000));
  const heap = async (of: QuietPage) => (await of.evaluate<number>('performance.memory.usedJSHeapSize')) / 1e6;
  console.log(
    `Memory of the page: ${(await heap(page)).toFixed(0)} MB; longest task ${(await page.marks())!.longest.toFixed(0)} ms`,
  );
  await page.close();

  const next = await browser.page(context, SLOWED);
  await next.go(`${url}/now`, button('Start playing'));
  const { usable, readable } = (await next.marks())!;
  console.log(`Opened the next day: readable after ${readable.toFixed(0)} ms, usable after ${usable.toFixed(0)} ms`);
  await next.evaluate(settled(90_000));
  const { longest } = (await next.marks())!;
  console.log(`Memory of the page: ${(await heap(next)).toFixed(0)} MB; longest task ${longest.toFixed(0)} ms`);
  await next.press(button('Start playing'));
  const presses: { press: number; changed: number }[] = [];
  for (let run = 0; run < RUNS; run++) {
    await next.evaluate(settled(3000));
    presses.push(await next.press(button('Rosined just now')));
  }
  const of = (part: 'press' | 'changed') => median(presses.map((each) => each[part]));
  console.log(
    `An entry: next paint after ${of('press').toFixed(0)} ms, on screen after ${of('changed').toFixed(0)} ms`,
  );
  await browser.close();
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
