import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { usualFacts } from '@tembrin/core';
import { chromium, type Browser } from '@playwright/test';
import { CHROMIUM } from '../scripts/lib/chromium.mjs';

/** Bytes over the wire and time to the first usable Now screen, Chromium slowed down fourfold. */
const url = process.env.TEMBRIN_URL!;
const RUNS = 5;
interface Load {
  ms: number;
  bytes: Record<string, number>;
}

async function load(
  browser: Browser,
  cookies: Parameters<Awaited<ReturnType<Browser['newContext']>>['addCookies']>[0],
  path: string,
  usable: string | null,
): Promise<Load> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  await context.addCookies(cookies);
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const bytes: Record<string, number> = {};
  const kinds = new Map<string, string>();
  session.on('Network.responseReceived', ({ requestId, type }) => kinds.set(requestId, type));
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const kind = kinds.get(requestId) ?? 'Other';
    bytes[kind] = (bytes[kind] ?? 0) + encodedDataLength;
  });
  const began = Date.now();
  await page.goto(url + path);
  if (usable) await page.getByRole('button', { name: usable, disabled: false }).waitFor();
  const ms = Date.now() - began;
  await page.waitForLoadState('networkidle');
  await context.close();
  return { ms, bytes };
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]!;
const kb = (bytes = 0) => `${(bytes / 1024).toFixed(0)} KB`;

async function main() {
  const browser = await chromium.launch(CHROMIUM);
  const cookiesOf = async (path: string, body: object) => {
    const context = await browser.newContext();
    const answer = await context.request.post(`${url}/api/v1${path}`, { data: body, headers: { 'x-tembrin': '1' } });
    if (!answer.ok()) throw new Error(await answer.text());
    if (path === '/accounts') {
      const id = '019706ab-9e80-7049-99fc-6954973f39b1';
      const added = await context.request.post(`${url}/api/v1/instruments`, {
        data: { id, name: 'Violin', ...usualFacts('violin') },
        headers: { 'x-tembrin': '1' },
      });
      if (!added.ok()) throw new Error(await added.text());
    }
    const cookies = await context.cookies();
    await context.close();
    return cookies;
  };
  const timeZone = 'Europe/Lisbon';
  const own = await cookiesOf('/accounts', {
    email: `bench.${Date.now()}@example.org`,
    password: 'quiet harbour tern',
    timeZone,
  });
  const demo = await cookiesOf('/demo', { timeZone });

  const runs = async (cookies: typeof own, path: string, usable: string | null) => {
    const loads: Load[] = [];
    for (let run = 0; run < RUNS; run++) loads.push(await load(browser, cookies, path, usable));
    return { ms: median(loads.map(({ ms }) => ms)), bytes: loads[0]!.bytes };
  };
  const baseline = await runs([], '/favicon.svg', null);
  const welcome = await runs([], '/', 'Start your own');
  const fresh = await runs(own, '/now', 'Start playing');
  const library = await runs(demo, '/now', 'Start playing');
  await browser.close();

  console.log('First load, empty cache, CPU slowed fourfold (median of 5; baseline: the favicon alone)\n');
  for (const [name, { ms, bytes }] of Object.entries({
    'Welcome usable': welcome,
    'Now usable, new account': fresh,
    'Now usable, demo library': library,
  })) {
    console.log(
      `${name}: ${ms} ms, ${(ms / baseline.ms).toFixed(1)} × baseline; over the wire: scripts ${kb(bytes.Script)}, fonts ${kb(bytes.Font)}, data ${kb(bytes.Fetch)}, page ${kb(bytes.Document)}`,
    );
  }
  const scripts = join(process.env.STATIC_DIR!, '_expo/static/js/web');
  const total = (ending: string) =>
    readdirSync(scripts)
      .filter((name) => name.endsWith(ending))
      .reduce((sum, name) => sum + statSync(join(scripts, name)).size, 0);
  console.log(
    `The whole app's JavaScript: ${kb(total('.js'))} plain, ${kb(total('.gz'))} gzip, ${kb(total('.br'))} brotli (aim: under 450 KB brotli)`,
  );
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
