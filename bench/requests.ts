import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { Agent, request, type IncomingMessage } from 'node:http';
import { entry, newHousehold } from '../scripts/lib/household.mjs';
import { runTypeScript } from '../scripts/lib/project.mjs';
import { freePort } from '../scripts/lib/database.mjs';
import { median } from './log';

/**
 * What one server process answers in a second: the requests of a page that is open, from many households at once; and how much of a
 * processor's time it takes for one, which other work on the machine moves less. Baseline: the same process answering with a file.
 */
const HOUSEHOLDS = 100;
const ENTRIES = 200;
const CONNECTIONS = [10, 50];
const LASTS_MS = 4_000;
const PLENTY = '100000000';

interface Home {
  cookie: string;
  instrumentId: string;
}
interface Asked {
  method: 'GET' | 'POST';
  path: string;
  body?: object;
}
type Ask = (home: Home) => Asked;

const read =
  (path: string): Ask =>
  () => ({ method: 'GET', path: `/api/v1${path}` });
const LOG = read(`/events?after=${ENTRIES}`);
const ASKS: Record<string, Ask> = {
  'a file': () => ({ method: 'GET', path: '/favicon.svg' }),
  household: read('/household'),
  'log since': LOG,
  air: read('/air'),
  cards: read('/cards'),
  'one entry': ({ instrumentId }) => ({
    method: 'POST',
    path: '/api/v1/events',
    body: { events: [entry(instrumentId)] },
  }),
};

async function ask(url: string, agent: Agent, { cookie }: Home, { method, path, body }: Asked): Promise<number> {
  const began = performance.now();
  const text = body && JSON.stringify(body);
  const headers = { cookie, 'x-tembrin': '1', ...(text && { 'content-type': 'application/json' }) };
  const asked = request(url + path, { method, agent, headers });
  asked.end(text);
  const [answer] = (await once(asked, 'response')) as [IncomingMessage];
  answer.resume();
  await once(answer, 'end');
  if (answer.statusCode! >= 300) throw new Error(`${method} ${path}: ${answer.statusCode}`);
  return performance.now() - began;
}

/** Asks from so many connections for a while. @returns how long each took, ms */
async function load(url: string, homes: readonly Home[], asks: readonly Ask[], connections: number): Promise<number[]> {
  const agent = new Agent({ keepAlive: true, maxSockets: connections });
  const took: number[] = [];
  const until = performance.now() + LASTS_MS;
  let turn = 0;
  const line = async () => {
    while (performance.now() < until) {
      const home = homes[++turn % homes.length]!;
      took.push(await ask(url, agent, home, asks[turn % asks.length]!(home)));
    }
  };
  await Promise.all(Array.from({ length: connections }, line));
  agent.destroy();
  return took;
}

const perSecond = (took: readonly number[]) => took.length / (LASTS_MS / 1000);
const at = (took: readonly number[], share: number) => took.toSorted((a, b) => a - b)[Math.floor(took.length * share)]!;

/** The kernel counts a process's time in hundredths of a second. */
const TICK_MS = 10;
/** What a process has had of a processor so far, ms. */
function processorMs(pid: number): number {
  // After the name, which may hold anything: the twelfth and thirteenth are its own time and the kernel's for it.
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) * TICK_MS;
}

async function main() {
  const port = await freePort();
  const url = `http://localhost:${port}`;
  const limits = { HOUSEHOLD_LIMIT: PLENTY, OPENING_LIMIT: PLENTY, SIGN_IN_LIMIT: PLENTY };
  const server = runTypeScript(
    'server/src/main.ts',
    { ...limits, PORT: String(port), PUBLIC_URL: url, LOG_LEVEL: 'error' },
    { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] },
  );
  await once(server, 'message');
  const homes: Home[] = [];
  const agent = new Agent({ keepAlive: true, maxSockets: 4 });
  for (let count = 0; count < HOUSEHOLDS; count++) {
    const { cookie, instrumentId } = await newHousehold(url);
    homes.push({ cookie: cookie!, instrumentId });
    const events = Array.from({ length: ENTRIES }, () => entry(instrumentId));
    await ask(url, agent, homes.at(-1)!, { method: 'POST', path: '/api/v1/events', body: { events } });
  }
  agent.destroy();
  await load(url, homes, Object.values(ASKS), 10);

  console.log(`Requests of ${HOUSEHOLDS} households to one server process, ${CONNECTIONS[0]} connections\n`);
  let baseline = 0;
  let baseMs = 0;
  for (const [name, one] of Object.entries(ASKS)) {
    const before = processorMs(server.pid!);
    const took = await load(url, homes, [one], CONNECTIONS[0]!);
    const each = (processorMs(server.pid!) - before) / took.length;
    const rate = perSecond(took);
    baseline ||= rate;
    baseMs ||= each;
    console.log(`${name}: ${rate.toFixed(0)} a second, ${(rate / baseline).toFixed(2)} × baseline`);
    console.log(`${name}, of a processor: ${each.toFixed(2)} ms, ${(each / baseMs).toFixed(2)} × baseline`);
  }
  const mixed = Object.values(ASKS).slice(1);
  for (const connections of CONNECTIONS) {
    const took = await load(url, homes, mixed, connections);
    const [p50, p99] = [median([...took]), at(took, 0.99)];
    console.log(
      `all of them, ${connections} connections: ${perSecond(took).toFixed(0)} a second, ${(perSecond(took) / baseline).toFixed(2)} × baseline; ` +
        `p50 ${p50.toFixed(0)} ms, p99 ${p99.toFixed(0)} ms (${(p99 / p50).toFixed(1)} × p50)`,
    );
  }
  server.kill();
  await once(server, 'exit');
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
