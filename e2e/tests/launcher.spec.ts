import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, PASSWORD, test } from '../fixtures';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

interface Launched {
  child: ChildProcess;
  output: () => string;
  url: string;
}

/** `npm start` on a data folder; resolves when it says that it is ready. */
async function launch(data: string, port: number): Promise<Launched> {
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: ROOT,
    env: { ...process.env, TEMBRIN_DATA: data, PORT: String(port), DATABASE_PORT: undefined },
  });
  let output = '';
  child.stdout.on('data', (chunk) => (output += String(chunk)));
  child.stderr.on('data', (chunk) => (output += String(chunk)));
  await expect.poll(() => output + (child.exitCode ?? ''), { timeout: 60_000 }).toMatch(/ready: http|\d$/);
  return { child, output: () => output, url: `http://127.0.0.1:${port}` };
}

/** Resolves once a launcher has ended, however it did. */
async function ended({ child }: Launched): Promise<void> {
  if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
}

async function api(url: string, method: string, path: string, body?: object, cookie = '') {
  return fetch(`${url}/api/v1${path}`, {
    method,
    headers: { 'content-type': 'application/json', 'x-tembrin': '1', cookie },
    body: body && JSON.stringify(body),
  });
}

const databasePid = (data: string) => Number(readFileSync(join(data, 'mariadb.pid'), 'utf8'));
const alive = (pid: number) => {
  try {
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
};

test('it starts, refuses a second start, survives being killed, and stops cleanly', async () => {
  test.setTimeout(180_000);
  const { freePort } = await import('../../scripts/lib/database.mjs');
  const data = mkdtempSync(join(tmpdir(), 'tembrin-launcher-'));
  const port = await freePort();
  const account = { email: 'ines@example.org', password: PASSWORD, timeZone: 'Europe/Lisbon' };

  const first = await launch(data, port);
  expect(first.output()).toContain(`ready: ${first.url}`);
  expect((await api(first.url, 'POST', '/accounts', account)).status).toBe(201);
  const page = await fetch(`${first.url}/kit/anything`);
  expect(await page.text()).toContain('<div id="root">');

  // Scripts are sent precompressed and may be kept for a year; the page itself is asked for anew.
  const script = /\/_expo\/static\/js\/web\/[\w-]+\.js/.exec(await (await fetch(first.url)).text())![0];
  const { headers } = await fetch(first.url + script, { headers: { 'accept-encoding': 'br' } });
  expect(headers.get('content-encoding')).toBe('br');
  expect(headers.get('cache-control')).toBe('public, max-age=31536000, immutable');
  expect(page.headers.get('cache-control')).toBe('no-cache');

  // The data folder is the project's own; the database listens on loopback only and keeps root off TCP.
  expect(statSync(join(data, 'secrets.json')).mode & 0o077).toBe(0);
  const commandLine = readFileSync(`/proc/${databasePid(data)}/cmdline`, 'utf8');
  expect(commandLine).toContain('--bind-address=127.0.0.1');
  expect(commandLine).toContain(`--datadir=${data}`);

  const second = await launch(data, port);
  await ended(second);
  expect(second.child.exitCode).toBe(1);
  expect(second.output()).toContain(`Tembrin is running already: ${first.url}`);

  // Killed without warning, the database too.
  const orphan = databasePid(data);
  first.child.kill('SIGKILL');
  await ended(first);
  await expect
    .poll(
      () =>
        fetch(first.url).then(
          () => 'up',
          () => 'down',
        ),
      { timeout: 20_000 },
    )
    .toBe('down');
  expect(alive(orphan)).toBe(true);
  const again = await launch(data, port);
  expect(alive(orphan)).toBe(false);
  expect((await api(again.url, 'POST', '/sign-in', { email: account.email, password: PASSWORD })).status).toBe(200);

  process.kill(databasePid(data), 'SIGKILL');
  await ended(again);
  expect(again.output()).toContain('The database ended');
  const third = await launch(data, port);
  expect((await api(third.url, 'POST', '/sign-in', { email: account.email, password: PASSWORD })).status).toBe(200);

  const last = databasePid(data);
  third.child.kill('SIGINT');
  await ended(third);
  expect(third.child.exitCode).toBe(0);
  expect(alive(last)).toBe(false);
  rmSync(data, { recursive: true, force: true });
});
