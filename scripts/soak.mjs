import { createServer, request } from 'node:http';
import { connect } from 'node:net';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { freePort, migrateDatabase, startDatabase } from './lib/database.mjs';
import { ask, entry, logOf, newHousehold } from './lib/household.mjs';
import { DEBIAN, ensureDebian, ensurePackages, exit, runTypeScript } from './lib/project.mjs';
import { ownUser } from './lib/user.mjs';

/**
 * Two servers on one database for ten minutes, while servers and the database are killed, senders dawdle and files hurt: nothing
 * that was acknowledged is lost, nothing is there twice, and small requests are answered in good time.
 */

const MINUTES = Number(process.env.SOAK_MINUTES ?? 10);
const QUIET_MS = 10_000;
const SERVER_KILLED_MS = 30_000;
const DATABASE_KILLED_MS = 60_000;
const HOUSEHOLDS = 6;
const DAWDLERS = 8;
/** Between what one device records and the next. */
const PAUSE_MS = 250;
/** So long after a kill, what is slow is slow because something starts. */
const RECOVERS_MS = 15_000;
const MOST_TIMES = 10;

const SETTINGS = {
  LOG_LEVEL: 'silent',
  OPENING_LIMIT: '1000000',
  HOUSEHOLD_LIMIT: '1000000',
  SIGN_IN_LIMIT: '1000000',
};

const state = { stopping: false, kills: { server: 0, database: 0 } };
/** When something was killed, or was there again. */
const kills = [];

/** A server that is started again whenever it ends. */
function lastingServer(env, port) {
  const own = { child: null, port };
  const start = () => {
    own.child = runTypeScript(
      'server/src/main.ts',
      { ...env, ...SETTINGS, PORT: String(port) },
      {
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      },
    );
    own.child.once('exit', () => state.stopping || setTimeout(start, 500));
  };
  start();
  return own;
}

/** Sends each request to the next server. */
async function balance(servers) {
  let turn = 0;
  const proxy = createServer((incoming, outgoing) => {
    const { port } = servers[turn++ % servers.length];
    const headers = { ...incoming.headers, host: `127.0.0.1:${port}` };
    const onward = request(
      { host: '127.0.0.1', port, method: incoming.method, path: incoming.url, headers },
      (answer) => {
        outgoing.writeHead(answer.statusCode, answer.headers);
        answer.pipe(outgoing);
      },
    );
    onward.on('error', () => {
      if (!outgoing.headersSent) outgoing.writeHead(502);
      outgoing.end();
    });
    incoming.pipe(onward);
  });
  const port = await freePort();
  await new Promise((resolve) => proxy.listen(port, '127.0.0.1', resolve));
  return { url: `http://127.0.0.1:${port}`, proxy };
}

async function untilReady(url) {
  for (;;) {
    const answer = await ask(url, 'GET', '/ready', { patienceMs: 5_000 }).catch(() => null);
    if (answer?.status === 200) return;
    await sleep(200);
  }
}

/** A device that records and sends, and sends again what was not answered. */
async function device(url, { cookie, instrumentId }, acknowledged) {
  while (!state.stopping) {
    const events = Array.from({ length: 1 + Math.floor(Math.random() * 5) }, () => entry(instrumentId));
    for (let done = false; !done && !state.stopping;) {
      const answer = await ask(url, 'POST', '/events', { body: { events }, cookie, patienceMs: 20_000 }).catch(
        () => null,
      );
      done = answer?.status === 200;
      if (done) for (const { id, outcome } of answer.body.outcomes) if (outcome !== 'refused') acknowledged.add(id);
      if (!done) await sleep(500);
    }
    await sleep(PAUSE_MS);
  }
}

/** Begins a body and goes on a byte at a time. */
async function dawdler(port) {
  while (!state.stopping) {
    const socket = connect(port, '127.0.0.1');
    socket.on('error', () => undefined);
    socket.write(
      'POST /api/v1/sign-in HTTP/1.1\r\nHost: x\r\nx-tembrin: 1\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n',
    );
    while (!socket.destroyed && !state.stopping) {
      socket.write(' ');
      await sleep(1_000);
    }
    socket.destroy();
  }
}

const HURTFUL = [
  ['/calendar/preview', () => ({ text: `BEGIN:VCALENDAR\r\n${'BEGIN:VEVENT\r\n'.repeat(30_000)}` })],
  ['/import/household', () => `{"format":"tembrin-1","instruments":[${'{},'.repeat(300_000)}{}]}`],
  ['/import/log', () => `id,instrumentId\n${'"'.repeat(500_000)}`],
  ['/import/household', () => '['.repeat(2_000_000)],
];

/** Somebody who sends what hurts, one after another. */
async function hostile(url, { cookie }) {
  for (let turn = 0; !state.stopping; turn++) {
    const [path, made] = HURTFUL[turn % HURTFUL.length];
    const body = made();
    const text = typeof body === 'string' ? body : JSON.stringify(body);
    await fetch(`${url}/api/v1${path}`, {
      method: 'POST',
      headers: { 'content-type': typeof body === 'string' ? 'text/csv' : 'application/json', 'x-tembrin': '1', cookie },
      body: text,
      signal: AbortSignal.timeout(120_000),
    })
      .then((answer) => answer.arrayBuffer())
      .catch(() => null);
    await sleep(3_000);
  }
}

/** Small requests, one after another, and how long each takes. */
async function small(url, { cookie }, until, times) {
  while (!until()) {
    const began = performance.now();
    const answer = await ask(url, 'GET', '/household', { cookie, patienceMs: 30_000 }).catch(() => null);
    times.push({ ms: performance.now() - began, at: Date.now(), ok: answer?.status === 200 });
    await sleep(20);
  }
}

const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

async function main() {
  ensureDebian(DEBIAN);
  ensurePackages();
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-soak-'));
  let database = await startDatabase(folder);
  const { env } = database;
  await migrateDatabase(env, ownUser(folder));
  const servers = [lastingServer(env, await freePort()), lastingServer(env, await freePort())];
  const { url, proxy } = await balance(servers);
  for (const { port } of servers) await untilReady(`http://127.0.0.1:${port}`);
  const households = [];
  for (let each = 0; each < HOUSEHOLDS; each++) households.push(await newHousehold(url));
  const quietUntil = Date.now() + QUIET_MS;
  const quiet = [];
  await small(url, households[0], () => Date.now() > quietUntil, quiet);
  const median = quantile(
    quiet.map(({ ms }) => ms),
    0.5,
  );
  console.log(`Quiet: ${quiet.length} small requests, median ${median.toFixed(1)} ms`);

  const acknowledged = households.map(() => new Set());
  const times = [];
  const attacker = await newHousehold(url);
  const work = [
    ...households.map((household, at) => device(url, household, acknowledged[at])),
    ...Array.from({ length: DAWDLERS }, (_, at) => dawdler(servers[at % 2].port)),
    hostile(url, attacker),
    small(url, households[0], () => state.stopping, times),
  ];
  const killed = () => kills.push(Date.now());
  const killingServers = setInterval(() => {
    killed();
    state.kills.server++;
    servers[Math.floor(Math.random() * 2)].child?.kill('SIGKILL');
  }, SERVER_KILLED_MS);
  const killingDatabase = setInterval(async () => {
    killed();
    state.kills.database++;
    const { pid } = JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8'));
    process.kill(pid, 'SIGKILL');
    await database.exited;
    database = await startDatabase(folder, Number(env.DATABASE_PORT));
    killed();
  }, DATABASE_KILLED_MS);
  await sleep(MINUTES * 60_000);
  clearInterval(killingServers);
  clearInterval(killingDatabase);
  await sleep(RECOVERS_MS);
  for (const { port } of servers) await untilReady(`http://127.0.0.1:${port}`);
  state.stopping = true;
  await Promise.all(work);

  let [lost, doubled, written] = [0, 0, 0];
  for (const [at, { cookie }] of households.entries()) {
    const ids = await logOf(url, cookie);
    const there = new Set(ids);
    written += acknowledged[at].size;
    lost += [...acknowledged[at]].filter((id) => !there.has(id)).length;
    doubled += ids.length - there.size;
  }
  const steady = steadyOf(times);
  const p99 = quantile(steady, 0.99);
  console.log(`${MINUTES} min, ${state.kills.server} servers and ${state.kills.database} databases killed`);
  console.log(`Acknowledged ${written}; lost ${lost}, doubled ${doubled}`);
  console.log(
    `Small requests: ${times.length}, answered ${times.filter(({ ok }) => ok).length}; away from kills ${steady.length}: median ${quantile(steady, 0.5).toFixed(1)} ms, p99 ${p99.toFixed(1)} ms, ${(p99 / median).toFixed(1)} × the quiet median`,
  );
  for (const { child } of servers) {
    child.kill('SIGTERM');
    await exit(child);
  }
  proxy.close();
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  return lost + doubled === 0 && p99 < MOST_TIMES * median ? 0 : 1;
}

/** Times of small requests that were asked while nothing was starting. */
const steadyOf = (times) =>
  times
    .filter(({ ok, at }) => ok && !kills.some((kill) => at > kill - 1_000 && at < kill + RECOVERS_MS))
    .map(({ ms }) => ms);

process.exit(await main());
