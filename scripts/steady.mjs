import { readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { ask, entry, newHousehold } from './lib/household.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/**
 * One server under an even load for an hour: what its devices ask, new households, sign-ins, calendars. Its memory may not grow once
 * everything has been in use: told each minute, and the last quarter's least against the least of the second quarter, as between two
 * collections it holds what nobody needs any more.
 */
const MINUTES = Number(process.env.STEADY_MINUTES ?? 60);
const SAMPLE_MS = 5_000;
const DEVICES = 6;
const PAUSE_MS = 1_000;
const NEW_EVERY_MS = 4_000;
const CALENDAR_EVERY_MS = 2_500;
/** Of the least of the second quarter. */
const MOST_GROWTH = 1.1;

const PLENTY = '100000000';
Object.assign(process.env, { OPENING_LIMIT: PLENTY, HOUSEHOLD_LIMIT: PLENTY, SIGN_IN_LIMIT: PLENTY });

const MB = 1024;
const residentMb = (pid) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / MB;
const least = (list) => Math.min(...list);

let stopping = false;
let asked = 0;

/** What a device asks in turn, a household's entry among it. */
async function device(url, households, at) {
  for (let turn = at; !stopping; turn++) {
    const { cookie, instrumentId } = households[turn % households.length];
    const requests = [
      ['GET', '/household'],
      ['GET', '/events?after=0'],
      ['GET', '/air'],
      ['GET', '/cards'],
      ['POST', '/events', { events: [entry(instrumentId)] }],
    ];
    for (const [method, path, body] of requests) {
      const { status } = await ask(url, method, path, { body, cookie });
      if (status !== 200) throw new Error(`${method} ${path}: ${status}`);
      asked++;
    }
    await sleep(PAUSE_MS);
  }
}

/** Somebody's calendar, which one place may read thirty times a minute. */
async function calendars(households) {
  for (let turn = 0; !stopping; turn++) {
    const answer = await fetch(households[turn % households.length].feed);
    if (!answer.ok) throw new Error(`The calendar: ${answer.status}`);
    await answer.arrayBuffer();
    asked++;
    await sleep(CALENDAR_EVERY_MS);
  }
}

async function household(url) {
  const made = await newHousehold(url);
  const { body } = await ask(url, 'POST', '/calendar/address', { cookie: made.cookie });
  return { ...made, feed: url + body.path };
}

/** New households that are added to those that ask, and signed in to once more. */
async function growing(url, households) {
  while (!stopping) {
    const made = await household(url);
    const { email, password } = made.account;
    const { status } = await ask(url, 'POST', '/sign-in', { body: { email, password } });
    if (status !== 200) throw new Error(`Signing in: ${status}`);
    households.push(made);
    await sleep(NEW_EVERY_MS);
  }
}

await withThrowaway(async ({ TEMBRIN_URL: url, SERVER_PID: pid }) => {
  const households = [];
  for (let count = 0; count < DEVICES; count++) households.push(await household(url));
  const samples = [];
  const work = [
    ...households.map((_, at) => device(url, households, at)),
    calendars(households),
    growing(url, households),
  ];
  const sampled = (async () => {
    for (let minute = 1; minute <= MINUTES; minute++) {
      for (let count = 0; count < 60_000 / SAMPLE_MS; count++) {
        await sleep(SAMPLE_MS);
        samples.push(residentMb(pid));
      }
      const now = samples.slice(-60_000 / SAMPLE_MS);
      console.log(
        `minute ${minute}: ${least(now).toFixed(0)} to ${Math.max(...now).toFixed(0)} MB, ${asked} requests, ${households.length} households`,
      );
    }
    stopping = true;
  })();
  await Promise.all([...work, sampled]);
  const quarter = Math.floor(samples.length / 4);
  const [second, last] = [least(samples.slice(quarter, 2 * quarter)), least(samples.slice(-quarter))];
  console.log(
    `Least in the second quarter ${second.toFixed(0)} MB, in the last ${last.toFixed(0)} MB: ${(last / second).toFixed(2)} ×`,
  );
  if (last > second * MOST_GROWTH) process.exitCode = 1;
});
