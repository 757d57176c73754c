import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
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
  // Nothing of the tests' own database: a launcher that is told of one starts none.
  const own = Object.entries(process.env).filter(([name]) => !/^(DATABASE_|SESSION_SECRET)/.test(name));
  const child = spawn('npm', ['start', '--silent'], {
    cwd: ROOT,
    env: { ...Object.fromEntries(own), TEMBRIN_DATA: data, PORT: String(port), SILENCE_MS: '6000' },
  });
  let output = '';
  child.stdout.on('data', (chunk) => (output += String(chunk)));
  child.stderr.on('data', (chunk) => (output += String(chunk)));
  await expect.poll(() => output + (child.exitCode ?? ''), { timeout: 60_000 }).toMatch(/ready: http|\d$/);
  return { child, output: () => output, url: `http://localhost:${port}` };
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

/** The launcher itself, which npm started. */
const launcherOf = ({ child }: Launched) =>
  Number(readFileSync(`/proc/${child.pid}/task/${child.pid}/children`, 'utf8').trim().split(' ')[0]);
const childrenOf = (pid: number) =>
  readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').map(Number);
const serverPid = (launched: Launched) =>
  childrenOf(launcherOf(launched)).find((pid) =>
    readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server/src/main.ts'),
  )!;
const answers = (url: string) =>
  fetch(url, { signal: AbortSignal.timeout(2000) }).then(
    () => 'up',
    () => 'down',
  );

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
  expect(commandLine).toContain('--local-infile=0');
  // Root starts them, and neither stays root, unless no other user can read the project.
  if (process.getuid?.() === 0 && !first.output().includes('stay so'))
    for (const pid of [databasePid(data), serverPid(first)])
      expect(readFileSync(`/proc/${pid}/status`, 'utf8')).toMatch(/^Uid:\s+(?!0\s)\d+/m);
  // What is measured is read on loopback.
  const metrics = await fetch(`http://127.0.0.1:${port + 10_000}/metrics`).then(
    (answer) => answer.text(),
    () => '',
  );
  if (port + 10_000 < 65_536) expect(metrics).toContain('tembrin_answer_seconds');

  const second = await launch(data, port);
  await ended(second);
  expect(second.child.exitCode).toBe(1);
  expect(second.output()).toContain(`Tembrin is running already: ${first.url}`);

  // Killed without warning, the database too.
  const orphan = databasePid(data);
  process.kill(launcherOf(first), 'SIGKILL');
  await ended(first);
  await expect.poll(() => answers(first.url), { timeout: 20_000 }).toBe('down');
  expect(alive(orphan)).toBe(true);
  const again = await launch(data, port);
  expect(alive(orphan)).toBe(false);
  expect((await api(again.url, 'POST', '/sign-in', { email: account.email, password: PASSWORD })).status).toBe(200);

  // What ends by itself is started again: the database, the server, and a server that answers nobody.
  const signsIn = async () =>
    (await api(again.url, 'POST', '/sign-in', { email: account.email, password: PASSWORD }).catch(() => null))?.status;
  process.kill(databasePid(data), 'SIGKILL');
  await expect.poll(again.output, { timeout: 20_000 }).toContain('The database ended by itself');
  await expect.poll(signsIn, { timeout: 30_000 }).toBe(200);
  process.kill(serverPid(again), 'SIGKILL');
  await expect.poll(again.output, { timeout: 20_000 }).toContain('The server ended by itself');
  await expect.poll(signsIn, { timeout: 30_000 }).toBe(200);
  process.kill(serverPid(again), 'SIGSTOP');
  await expect.poll(again.output, { timeout: 30_000 }).toContain('has not answered for 6 s');
  await expect.poll(signsIn, { timeout: 40_000 }).toBe(200);

  // A signal to npm itself reaches everything.
  const last = [databasePid(data), serverPid(again)];
  again.child.kill('SIGTERM');
  await ended(again);
  await expect.poll(() => last.some(alive), { timeout: 20_000 }).toBe(false);

  // What is in the way is said before anything is built.
  const other = createServer().listen(port, '127.0.0.1');
  await once(other, 'listening');
  const hindered = await launch(data, port);
  await ended(hindered);
  expect(hindered.output()).toContain(`Port ${port} is taken by another program. PORT sets another`);
  other.close();
  rmSync(data, { recursive: true, force: true });
});
