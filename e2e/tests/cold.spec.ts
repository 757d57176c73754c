import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  addInstrument,
  expect,
  expectAccessible,
  keptOnDevice,
  newEmail,
  PASSWORD,
  signUp,
  standKept,
  test,
} from '../fixtures';
import { request, type Page } from '@playwright/test';

/** Every route there is, opened by its address: cold, and again without a connection. Nothing may break, nor stay empty. */
const ROUTES = fileURLToPath(new URL('../../app/src/app/(shell)', import.meta.url));
const FILES = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.tsx') && !file.endsWith('_layout.tsx'))
  .sort();
const PARTS = ['strings', 'hair', 'hair-look', 'rosin', 'residue', 'checkup', 'air'];
const ROOM = {
  kind: 'room',
  roomId: null,
  volumeM3: 40,
  draught: 'ordinary',
  heating: null,
  tankG: null,
  dryerG: null,
};
const DRILLS = ['order', 'zones', 'case', 'screw'];
const SOME_JOBS = ['arrival', 'fit', 'residue'];
const LOOKS = ['bridge-lean', 'string-height', 'hair-band', 'strings'];

/** The household's clock is from now on an hour behind this device's. */
async function keepTimeOfTheAzores(page: Page): Promise<void> {
  const { name, schools, currency, version } = (await (await page.request.get('/api/v1/household')).json()) as {
    [key: string]: unknown;
  };
  const answer = await page.request.put('/api/v1/household', {
    data: { name, schools, currency, timeZone: 'Atlantic/Azores' },
    headers: { 'x-tembrin': '1', 'If-Match': `"${String(version)}"` },
  });
  expect(answer.status()).toBe(200);
}

/** Another household takes an instrument of this one over. */
async function handOver(page: Page, instrumentId: string): Promise<void> {
  const taker = await request.newContext({
    baseURL: new URL(page.url()).origin,
    extraHTTPHeaders: { 'x-tembrin': '1' },
  });
  const headers = { 'x-tembrin': '1' };
  const account = { email: newEmail(), password: PASSWORD, timeZone: 'UTC' };
  expect((await taker.post('/api/v1/accounts', { data: account })).status()).toBe(201);
  const answer = await page.request.post('/api/v1/handovers', { data: { instrumentId }, headers });
  const { id, key } = (await answer.json()) as { id: string; key: string };
  expect((await taker.post('/api/v1/handovers/take', { data: { key } })).status()).toBe(200);
  expect((await page.request.post(`/api/v1/handovers/${id}/complete`, { headers })).status()).toBe(200);
  await taker.dispose();
}

/** A small household with one of everything, and several instruments; what stands for the names in brackets. */
async function household(page: Page): Promise<Readonly<Record<string, readonly string[]>>> {
  await signUp(page);
  await addInstrument(page, 'Violin');
  const { instruments } = (await (await page.request.get('/api/v1/household')).json()) as {
    instruments: { id: string }[];
  };
  const id = instruments[0]!.id;
  await keepTimeOfTheAzores(page);
  const post = async (path: string, data: object) =>
    expect((await page.request.post(`/api/v1/${path}`, { data, headers: { 'x-tembrin': '1' } })).status()).toBeLessThan(
      300,
    );
  const { id: _id, addedAt: _addedAt, version: _version, ...facts } = instruments[0] as Record<string, unknown>;
  for (const name of ['Second', 'Third', 'Fourth', 'Fifth'])
    await post('instruments', { ...facts, id: randomUUID(), name });
  const [place, sensor] = [randomUUID(), randomUUID()];
  await post('places', { id: place, name: 'Front room', ...ROOM });
  await post('sensors', { id: sensor, name: 'On the shelf', kind: 'hand', placeId: place });
  const bow = randomUUID();
  const ofBow = { title: 'Spare', ownOf: null, instrumentIds: [id], use: 'seldom', gone: false };
  await post('cards', { cards: [{ id: bow, kind: 'bow', facts: ofBow }] });
  const given = randomUUID();
  await post('instruments', { ...facts, id: given, name: 'Sixth' });
  await handOver(page, given);
  const [brief, visit] = [randomUUID(), randomUUID()];
  const told = { instrumentId: id, title: 'A buzz', about: '', sections: [], wishes: '', photos: [] };
  const planned = { briefIds: [brief], contactId: null, date: null, askedAt: null, endedAt: null };
  await post('cards', {
    cards: [
      { id: brief, kind: 'brief', facts: told },
      { id: visit, kind: 'visit', facts: planned },
    ],
  });
  const person = randomUUID();
  await post('people', { id: person, name: 'Wren', role: 'player', plays: [id], looksAfter: [] });
  const event = (type: string, payload: object) => {
    const time = new Date(Date.now() - 3_600_000).toISOString();
    return { id: randomUUID(), instrumentId: id, type, occurredAt: time, recordedAt: time, payload };
  };
  const trouble = event('trouble-noticed', { symptoms: ['hollow'], by: 'player' });
  const events = [
    trouble,
    event('strings-fitted', { strings: null, reason: 'on-record', known: true }),
    event('rehaired', { reason: 'on-record', known: true }),
    event('session-entered', { endedAt: new Date(Date.now() - 1_800_000).toISOString() }),
  ];
  await post('events', { events });
  // What was recorded elsewhere moves the stand the first time.
  await page.goto('/now');
  await standKept(page, 'Rosin before you play');
  return {
    id: [id],
    place: [place],
    sensor: [sensor],
    item: [`${id}~hair`],
    part: PARTS,
    drill: DRILLS,
    bow: [bow, id],
    look: LOOKS,
    job: SOME_JOBS,
    trouble: [trouble.id],
    visit: [visit],
    given: [given],
    person: [person],
    change: ['password', 'address', 'passkey', 'leave'],
  };
}

/** Addresses of a route file: one for each value of the name in brackets that has several. */
function addressesOf(file: string, names: Readonly<Record<string, readonly string[]>>): string[] {
  const path = `/${file.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`;
  return [...path.matchAll(/\[(\w+)\]/g)].reduce<string[]>(
    (paths, [whole, name]) => paths.flatMap((each) => names[name!]!.map((value) => each.replace(whole, value))),
    [path],
  );
}

/** Units of the other system, beside numbers and in labels. */
const INCHES = /\d in\b(?! [a-z])|°F|\blbf\b|\bft³/;
const MILLIMETRES = /\d ?mm\b|in mm\b|°C|\d N\b|, in N\b|\bm³|\d k?g\b/;
/** A time of day that does not say whose, where the household's clock is not this device's. */
const WHOSE = /\b\d{1,2}:\d\d\b(?! to \d| Azores time)/;
/** A decimal point, where a comma is written; an example of a pack of readings has them. */
const POINT = /\d\.\d(?!\},)/;
/** Has this device measure in inches, °F and lbf and write as in another country from now on. */
function showInches(): void {
  Object.defineProperty(navigator, 'language', { get: () => 'de-DE' });
  const kept = JSON.parse(localStorage.getItem('tembrin-look') ?? '{"state":{},"version":0}') as { state: object };
  Object.assign(kept.state, { lengths: 'in', temperatures: 'F', forces: 'lbf' });
  localStorage.setItem('tembrin-look', JSON.stringify(kept));
}

/** How far parts of a page may move while it comes (common practice: what is called good of a page). */
const MOST_MOVED = 0.1;
/** Notes how far parts of this page move. */
function noteMoves(): void {
  const noted = Object.assign(window, { moved: 0 });
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) noted.moved += (entry as PerformanceEntry & { value: number }).value;
  }).observe({ type: 'layout-shift', buffered: true });
}

const HALVES = [FILES.filter((_file, at) => at % 2 === 0), FILES.filter((_file, at) => at % 2 === 1)];
HALVES.forEach((files, half) => {
  test(`every address opens cold, with a connection and without, ${half + 1} of 2`, async ({ page, context }) => {
    test.setTimeout(240_000);
    const broken: string[] = [];
    let at = '';
    page.on('pageerror', (error) => broken.push(`${at}: ${error.message}`));
    const names = await household(page);
    await keptOnDevice(page);
    const addresses = files.flatMap((file) => addressesOf(file, names));
    const titles = new Map<string, string>();
    let told: string[] = [];
    page.on('framenavigated', (frame) => void told.push(new URL(frame.url()).pathname));
    const opens = async (how: string, load: () => Promise<unknown>, ...foreign: readonly RegExp[]) => {
      told = [];
      await load();
      await expect(page.getByRole('heading', { level: 1 }).first(), `${at} ${how}`).toBeVisible();
      const text = await page.locator('main, [role=main]').first().innerText();
      expect(text.length, `${at} ${how}`).toBeGreaterThan(20);
      // Where units are chosen all are named.
      const found = foreign.map((pattern) => pattern.exec(text)?.[0]).filter(Boolean);
      if (at !== '/kit/household') expect.soft(found, `${at} ${how}`).toEqual([]);
      // Loaded again while it waits, a page is the same one.
      const here = new URL(page.url()).pathname;
      const others = told.filter((path) => path !== at && path !== here);
      expect.soft(others, `${at} ${how} tells other addresses`).toEqual([]);
    };
    await context.addInitScript(noteMoves);
    for (at of addresses) {
      await opens('cold', () => page.goto(at, { waitUntil: 'commit' }), INCHES, WHOSE);
      await expectAccessible(page, at, ['label-content-name-mismatch']);
      const moved = await page.evaluate(() => (window as unknown as { moved: number }).moved);
      expect.soft(moved, `${at} moves`).toBeLessThan(MOST_MOVED);
      // What a tab and the history are told apart by; an address that leads elsewhere has the title of where it leads.
      const [title, here] = [await page.title(), new URL(page.url()).pathname];
      expect.soft(titles.get(title) ?? here, title).toBe(here);
      titles.set(title, here);
      if (here.startsWith('/kit/') && here.includes(names.id![0]!))
        expect.soft(title, here).toMatch(/Violin.* · Kit · /);
      if (here.startsWith(`/air/${names.place![0]!}`)) expect.soft(title, here).toMatch(/Front room.* · Air · /);
    }
    await page.evaluate(showInches);
    await context.addInitScript(showInches);
    await context.setOffline(true);
    for (at of addresses)
      await opens('without a connection', () => page.goto(at, { waitUntil: 'commit' }), MILLIMETRES, WHOSE, POINT);
    expect(broken).toEqual([]);
  });
});
