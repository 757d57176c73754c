import { createECDH, createPublicKey, randomBytes, randomUUID, verify, type ECDH } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { decrypt } from 'http_ece';
import { escaped, pageOf } from './page';

/** A message as the device it was meant for reads it. */
export interface PushedMessage {
  no: number;
  at: number;
  /** The subscription it came to. */
  to: string;
  title: string;
  body: string;
  path: string;
  key: string | null;
  doable: boolean;
  id: string;
  /** As its sender asked: how long it is kept, s; how urgent it is; what takes its place. */
  ttl: string;
  urgency: string;
  topic: string;
}

/** A device that has subscribed: its key pair, its secret. */
interface Subscription {
  pair: ECDH;
  auth: string;
  gone: boolean;
}

const KEPT = 200;
const MOST_SUBSCRIPTIONS = 500;
/** RFC 8030: push services need not take more. */
const MOST_BYTES = 4096;

async function bodyOf(request: IncomingMessage): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of request) {
    bytes += (part as Buffer).length;
    if (bytes <= MOST_BYTES) parts.push(part as Buffer);
  }
  return bytes <= MOST_BYTES ? Buffer.concat(parts) : null;
}

/** Whether a message is signed by the key it names, for this service and not for too long (RFC 8292). */
export function isSigned(authorization: string, audience: string, nowMs: number): boolean {
  const [, token = '', key = ''] = /^vapid t=([\w.-]+), ?k=([\w-]+)$/.exec(authorization) ?? [];
  const [head = '', claims = '', signature = ''] = token.split('.');
  const point = Buffer.from(key, 'base64url');
  if (point.length !== 65 || signature === '') return false;
  const coordinate = (from: number) => point.subarray(from, from + 32).toString('base64url');
  const jwk = { kty: 'EC', crv: 'P-256', x: coordinate(1), y: coordinate(33) };
  const publicKey = createPublicKey({ key: jwk, format: 'jwk' });
  const signed = Buffer.from(`${head}.${claims}`);
  if (!verify('sha256', signed, { key: publicKey, dsaEncoding: 'ieee-p1363' }, Buffer.from(signature, 'base64url')))
    return false;
  const { aud, exp } = JSON.parse(Buffer.from(claims, 'base64url').toString()) as { aud: string; exp: number };
  return aud === audience && exp * 1000 > nowMs && exp * 1000 <= nowMs + 24 * 3_600_000;
}

/** Reads a message with the keys of the device it is for. @throws where it is for another */
export const readMessage = (message: Buffer, privateKey: ECDH, authSecret: string): string =>
  decrypt(message, { version: 'aes128gcm', privateKey, authSecret }).toString('utf8');

const clock = (at: number) => new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' }).format(at);

function listPage(messages: readonly PushedMessage[]): string {
  const rows = messages.map(
    ({ at, title, body, path, doable, key, urgency }) =>
      `<li><b>${escaped(title)}</b><div>${escaped(body).replaceAll('\n', '<br>')}</div>` +
      `<span>${clock(at)}, ${escaped(urgency)}; opens ${escaped(path)}` +
      `${key === null ? '' : `; answers: ${doable ? 'Done, ' : ''}Tomorrow`}</span></li>`,
  );
  return pageOf(
    'Notifications',
    'What a phone would have shown since this was started. It stays on this machine.',
    rows.length > 0 ? `<ol>${rows.join('')}</ol>` : '<p>None has come yet.</p>',
  );
}

/**
 * A push service with the devices behind it: makes subscriptions, takes messages (RFC 8030), checks who signed them, decrypts them as
 * a browser would, and shows them on a page of its own. Nothing leaves the machine.
 * @returns what came, the newest first; and an answer for its addresses, `/push` and below
 */
export function pushService() {
  const subscriptions = new Map<string, Subscription>();
  const messages: PushedMessage[] = [];
  let count = 0;
  /** @param origin where this service is reached */
  function subscribe(origin: string) {
    if (subscriptions.size >= MOST_SUBSCRIPTIONS) subscriptions.delete(subscriptions.keys().next().value!);
    const pair = createECDH('prime256v1');
    const id = randomUUID();
    const p256dh = pair.generateKeys('base64url');
    const auth = randomBytes(16).toString('base64url');
    subscriptions.set(id, { pair, auth, gone: false });
    return { endpoint: `${origin}/push/${id}`, p256dh, auth };
  }
  function take(id: string, { headers }: IncomingMessage, body: Buffer, origin: string): number {
    const subscription = subscriptions.get(id);
    if (!subscription || subscription.gone) return 410;
    if (headers['content-encoding'] !== 'aes128gcm') return 415;
    if (!isSigned(headers.authorization ?? '', origin, Date.now())) return 403;
    const said = JSON.parse(readMessage(body, subscription.pair, subscription.auth)) as Omit<PushedMessage, 'no'>;
    const topic = String(headers.topic ?? '');
    const message = {
      ...said,
      no: ++count,
      at: Date.now(),
      to: id,
      ttl: String(headers.ttl ?? ''),
      urgency: String(headers.urgency ?? 'normal'),
      topic,
    };
    // The same again takes the place of the first.
    const same = topic === '' ? -1 : messages.findIndex((each) => each.to === id && each.topic === topic);
    if (same >= 0) messages.splice(same, 1);
    messages.unshift(message);
    messages.length = Math.min(messages.length, KEPT);
    return 201;
  }
  const page = (request: IncomingMessage, response: ServerResponse): boolean => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://localhost');
    if (!/^\/push(?:\/|$)/.test(pathname)) return false;
    const origin = `http://${request.headers.host}`;
    const json = (status: number, value: unknown) => {
      response.writeHead(status, { 'Content-Type': 'application/json' });
      response.end(JSON.stringify(value));
    };
    const id = pathname.slice('/push/'.length);
    if (request.method === 'POST' && id === 'subscriptions') {
      json(201, subscribe(origin));
    } else if (request.method === 'POST') {
      void bodyOf(request)
        .then((body) => (body === null ? 413 : take(id, request, body, origin)))
        .catch(() => 400)
        .then((status) => json(status, {}));
    } else if (request.method === 'DELETE' && subscriptions.has(id)) {
      subscriptions.get(id)!.gone = true;
      json(204, {});
    } else if (request.method === 'GET' && id === 'all.json') {
      const to = searchParams.get('to');
      json(
        200,
        messages.filter((message) => to === null || message.to === to),
      );
    } else if (request.method === 'GET' && id === '') {
      response.writeHead(200, {
        'Content-Type': 'text/html; charset=utf-8',
        'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
      });
      response.end(listPage(messages));
    } else json(404, {});
    return true;
  };
  return { messages, page };
}
