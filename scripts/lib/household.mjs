import { randomUUID } from 'node:crypto';

/** Requests of a household's devices, for checks that run against real servers. */

const HEADERS = { 'content-type': 'application/json', 'x-tembrin': '1' };

/** Asks a server; @returns status, and what it answered */
export async function ask(url, method, path, { body, cookie, patienceMs = 60_000 } = {}) {
  const answer = await fetch(`${url}/api/v1${path}`, {
    method,
    headers: { ...HEADERS, ...(cookie && { cookie }) },
    body: body && JSON.stringify(body),
    signal: AbortSignal.timeout(patienceMs),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    body: text && JSON.parse(text),
    cookie: answer.headers.get('set-cookie')?.split(';')[0] ?? null,
  };
}

/** A usual violin. */
const VIOLIN = {
  family: 'violin',
  kind: null,
  size: '4/4',
  stringCount: 4,
  since: null,
  setUp: {
    shoulderRest: 'rest',
    case: 'hard',
    stand: false,
    endpin: false,
    humidifier: false,
    floatingBridge: true,
    finish: 'varnish',
    player: 'adult',
    leftHanded: false,
    bodyMm: null,
    habit: null,
  },
  stringing: {
    lengthMm: null,
    lengthsMm: null,
    tuning: null,
    a4Hz: 440,
    temperament: null,
    sweat: 'usual',
    postMm: 6,
  },
  schools: {},
};

/** Makes an account with one violin. */
export async function newHousehold(url) {
  const account = { email: `${randomUUID()}@example.org`, password: 'quiet harbour tern', timeZone: 'Europe/Lisbon' };
  const made = await ask(url, 'POST', '/accounts', { body: account });
  if (made.status !== 201) throw new Error(`No account: ${JSON.stringify(made.body)}`);
  const { cookie } = made;
  const id = randomUUID();
  const added = await ask(url, 'POST', '/instruments', { body: { id, name: 'Heron', ...VIOLIN }, cookie });
  if (added.status !== 201) throw new Error(`No instrument: ${JSON.stringify(added.body)}`);
  return { account, cookie, householdId: made.body.id, instrumentId: id };
}

/** An entry as a phone makes it. */
export function entry(instrumentId, type = 'rosined', payload = {}, at = Date.now() - 60_000) {
  const time = new Date(at).toISOString();
  return { id: randomUUID(), instrumentId, type, occurredAt: time, recordedAt: time, payload };
}

/** Ids of a household's whole log, in its order. */
export async function logOf(url, cookie) {
  const ids = [];
  for (let after = 0, more = true; more;) {
    const { status, body } = await ask(url, 'GET', `/events?after=${after}`, { cookie });
    if (status !== 200) throw new Error(`The log was not read: ${status}`);
    ids.push(...body.events.map(({ id }) => id));
    ({ reached: after, more } = body);
  }
  return ids;
}
