import { copyFileSync, existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, migrateDatabase, startDatabase } from './lib/database.mjs';
import { ask, entry, logOf, newHousehold } from './lib/household.mjs';
import { DEBIAN, ensureDebian, ensurePackages, exit, run, startServer } from './lib/project.mjs';
import { ownUser } from './lib/user.mjs';

/**
 * Two servers on a Galera cluster of two nodes, on loopback: whether a device that polls misses an entry, whether sessions over
 * each other are taken twice, whether a batch fails. All three are to be nothing.
 */

const PROVIDER = '/usr/lib/galera/libgalera_smm.so';
const ENTRIES = 704;
const PAIRS = 25;
const BATCHES = 324;

async function clusterArgs(first) {
  const [group, ist, sst] = [await freePort(), await freePort(), await freePort()];
  return {
    group,
    args: [
      '--wsrep-on=ON',
      `--wsrep-provider=${PROVIDER}`,
      `--wsrep-cluster-address=gcomm://${first ? `127.0.0.1:${first}` : ''}`,
      '--wsrep-cluster-name=tembrin-check',
      '--wsrep-node-address=127.0.0.1',
      `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${group};ist.recv_addr=127.0.0.1:${ist}`,
      '--wsrep-sst-method=rsync',
      `--wsrep-sst-receive-address=127.0.0.1:${sst}`,
      '--binlog-format=ROW',
      '--innodb-autoinc-lock-mode=2',
      ...(first ? [] : ['--wsrep-new-cluster']),
    ],
  };
}

/** Entries written at both nodes while a device polls at one and at the other. @returns how many it has missed for good */
async function missed(urls) {
  const { cookie, instrumentId } = await newHousehold(urls[0]);
  const seen = new Set();
  let writing = true;
  const polling = (async () => {
    for (let after = 0, turn = 0, last = false; ; last = !writing, turn++) {
      const { status, body } = await ask(urls[turn % 2], 'GET', `/events?after=${after}`, { cookie });
      if (status !== 200) continue;
      for (const { id } of body.events) seen.add(id);
      after = body.reached;
      if (last && body.events.length === 0) return;
    }
  })();
  let refused = 0;
  const sent = [];
  const writers = Array.from({ length: 8 }, async (_, writer) => {
    for (let each = 0; each < ENTRIES / 8; each++) {
      const event = entry(instrumentId);
      const { status } = await ask(urls[writer % 2], 'POST', '/events', { body: { events: [event] }, cookie });
      if (status === 200) sent.push(event.id);
      else refused++;
    }
  });
  await Promise.all(writers);
  writing = false;
  await polling;
  const there = new Set(await logOf(urls[0], cookie));
  const lost = sent.filter((id) => !there.has(id)).length;
  return { written: sent.length, refused, lost, missed: sent.filter((id) => !seen.has(id)).length };
}

/** Sessions over each other, posted at both nodes at once. @returns how many pairs were taken both */
async function doubled(urls) {
  let both = 0;
  for (let pair = 0; pair < PAIRS; pair++) {
    const { cookie, instrumentId } = await newHousehold(urls[0]);
    const began = Date.now() - 7_200_000;
    const session = (shift) =>
      entry(
        instrumentId,
        'session-entered',
        { endedAt: new Date(began + 3_600_000 + shift).toISOString() },
        began + shift,
      );
    const answers = await Promise.all(
      urls.map((url, at) => ask(url, 'POST', '/events', { body: { events: [session(at * 600_000)] }, cookie })),
    );
    if (answers.every(({ status, body }) => status === 200 && body.outcomes[0].outcome === 'stored')) both++;
  }
  return both;
}

/** Batches of one household at both nodes at once. @returns how many were not taken */
async function failed(urls) {
  const { cookie, instrumentId } = await newHousehold(urls[0]);
  const statuses = {};
  const writers = Array.from({ length: 12 }, async (_, writer) => {
    for (let batch = 0; batch < BATCHES / 12; batch++) {
      const events = Array.from({ length: 10 }, () => entry(instrumentId));
      const { status } = await ask(urls[writer % 2], 'POST', '/events', { body: { events }, cookie });
      statuses[status] = (statuses[status] ?? 0) + 1;
    }
  });
  await Promise.all(writers);
  if (Object.keys(statuses).length > 1) console.log('Answers by status:', statuses);
  return BATCHES - (statuses[200] ?? 0);
}

/** Starts nodes and servers, and checks them. @param nodes @param servers filled with what was started */
async function check(folders, nodes, servers) {
  const one = await clusterArgs(null);
  nodes.push(await startDatabase(folders[0], 0, 'mariadb', one.args));
  mkdirSync(folders[1], { recursive: true });
  copyFileSync(join(folders[0], 'secrets.json'), join(folders[1], 'secrets.json'));
  // A port that was free is somebody else's now and then.
  const joined = async () => startDatabase(folders[1], 0, 'mariadb', (await clusterArgs(one.group)).args);
  nodes.push(await joined().catch(joined));
  await Promise.all(nodes.map(({ env }, at) => migrateDatabase(env, ownUser(folders[at]))));
  for (const { env } of nodes) servers.push(await startServer(env));
  const urls = servers.map(({ url }) => url);
  const entries = await missed(urls);
  const sessions = await doubled(urls);
  const batches = await failed(urls);
  console.log(
    `Entries missed by a device that polls: ${entries.missed} of ${entries.written} (lost: ${entries.lost}, not taken: ${entries.refused})`,
  );
  console.log(`Sessions over each other taken twice: ${sessions} of ${PAIRS}`);
  console.log(`Batches that failed: ${batches} of ${BATCHES}`);
  return entries.missed + entries.lost + entries.refused + sessions + batches === 0 ? 0 : 1;
}

/** Rejects when somebody ends the check, so that what it started is stopped. */
function brokenOff() {
  return new Promise((_resolve, reject) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
      process.once(signal, () => reject(new Error('The check was broken off.')));
  });
}

async function main() {
  ensureDebian({ ...DEBIAN, rsync: ['rsync'] });
  if (!existsSync(PROVIDER))
    run('apt-get', ['install', '-y', '-q', '--no-install-recommends', 'galera-4', 'mariadb-server'], {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  ensurePackages();
  const folders = ['one', 'two'].map((name) => mkdtempSync(join(tmpdir(), `tembrin-cluster-${name}-`)));
  const nodes = [];
  const servers = [];
  try {
    return await Promise.race([check(folders, nodes, servers), brokenOff()]);
  } finally {
    for (const { child } of servers) {
      child.kill('SIGTERM');
      await exit(child);
    }
    for (const node of nodes.reverse()) await node.stop();
    for (const folder of folders) rmSync(folder, { recursive: true, force: true });
  }
}

try {
  process.exit(await main());
} catch (error) {
  console.error(error.message);
  process.exit(1);
}
