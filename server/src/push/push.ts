import { createECDH, hkdfSync } from 'node:crypto';
import { request as askPlain } from 'node:http';
import { request as askProtected } from 'node:https';
import { HOUR_MS, SECOND_MS } from '@tembrin/core';
import type { PushSubscription } from '@tembrin/contract';
import webPush from 'web-push';
import type { Config } from '../config';
import { endpointFault, ForbiddenAddress, lookupOutside } from './addresses';

/** The subscription is no more: the device was reset, or its owner said no. */
export class DeadDevice extends Error {}

/** What a device is told; at most 3 kB, as push services take four. */
export interface PushMessage {
  /** Marks it: the same again takes the place of the first. */
  id: string;
  title: string;
  body: string;
  /** The page it opens. */
  path: string;
  /** With which it is answered without opening anything; null: it cannot be. */
  key: string | null;
  /** Whether it can be answered that it was done. */
  doable: boolean;
}

/** Sends messages through push services. */
export interface Push {
  /** This server's key, base64url. */
  publicKey: string;
  /** Whether the stand-in for push services runs. */
  standIn: boolean;
  /** A subscription at the stand-in. @throws where there is none */
  subscribe(): Promise<PushSubscription>;
  /** Why messages are not sent to an address; null: they may be. */
  fault(endpoint: string): string | null;
  /** @throws DeadDevice, or what went wrong on the way */
  send(to: PushSubscription, message: PushMessage, urgent: boolean): Promise<void>;
}

const PATIENCE_MS = 15 * SECOND_MS;
/** A message that could not be brought for so long is not brought any more: what it tells is told by mail too. */
const LASTS_S = (12 * HOUR_MS) / SECOND_MS;
const MOST_BYTES = 3000;

/**
 * The key pair by which push services know this server (RFC 8292): made of its secret, so that it is there from the first start on,
 * the same in every process, and lies nowhere.
 */
export function vapidKeys(secret: string): { publicKey: string; privateKey: string } {
  for (let count = 0; ; count++) {
    const privateKey = Buffer.from(hkdfSync('sha256', secret, '', `push ${count}`, 32));
    const pair = createECDH('prime256v1');
    try {
      pair.setPrivateKey(privateKey);
    } catch {
      // Beyond the order of the curve: one in four thousand million.
      continue;
    }
    return { publicKey: pair.getPublicKey('base64url'), privateKey: privateKey.toString('base64url') };
  }
}

/** Characters of a text, so that it has no more bytes than this. */
const cut = (text: string, most: number) => {
  let kept = text;
  while (Buffer.byteLength(kept) > most) kept = kept.slice(0, -Math.ceil((Buffer.byteLength(kept) - most) / 4) - 1);
  return kept === text ? text : `${kept}…`;
};

interface Details {
  method: string;
  headers: Record<string, string>;
  body: Buffer | null;
  endpoint: string;
}

/** Sends what was made ready. Nothing of the answer is read but its status; no way it points to is followed. */
function post({ method, headers, body, endpoint }: Details, plain: boolean): Promise<number> {
  const ask = plain ? askPlain : askProtected;
  return new Promise((resolve, reject) => {
    const options = { method, headers, timeout: PATIENCE_MS, ...(plain ? {} : { lookup: lookupOutside }) };
    const request = ask(new URL(endpoint), options as Parameters<typeof askProtected>[1], (response) => {
      response.destroy();
      resolve(response.statusCode ?? 0);
    });
    request.once('timeout', () => request.destroy(new Error('the push service does not answer')));
    request.once('error', reject);
    request.end(body);
  });
}

type PushSettings = Pick<Config, 'SESSION_SECRET' | 'MAIL_FROM' | 'PUSH_STAND_IN'>;

/** The way out through push services; where a stand-in is set, to that as well. */
export function pushOf({ SESSION_SECRET, MAIL_FROM, PUSH_STAND_IN }: PushSettings): Push {
  const keys = vapidKeys(SESSION_SECRET);
  const [, inBrackets] = /<([^<>]{3,254})>/.exec(MAIL_FROM) ?? [];
  const contact = inBrackets ?? MAIL_FROM.trim();
  const standIn = PUSH_STAND_IN === undefined ? null : new URL(PUSH_STAND_IN).origin;
  // Its own addresses only: beside it other stand-ins answer.
  const isStandIn = (endpoint: string) =>
    standIn !== null && URL.canParse(endpoint) && new URL(endpoint).href.startsWith(`${standIn}/push/`);
  const fault = (endpoint: string) => (isStandIn(endpoint) ? null : endpointFault(endpoint));
  return {
    publicKey: keys.publicKey,
    standIn: standIn !== null,
    fault,
    async subscribe() {
      if (standIn === null) throw new Error('there is no stand-in for push services');
      const answer = await fetch(new URL('/push/subscriptions', standIn), {
        method: 'POST',
        signal: AbortSignal.timeout(PATIENCE_MS),
      });
      return (await answer.json()) as PushSubscription;
    },
    async send({ endpoint, p256dh, auth }, message, urgent) {
      if (fault(endpoint) !== null) throw new DeadDevice('nothing is sent to such an address');
      const words = { ...message, title: cut(message.title, 300), body: cut(message.body, MOST_BYTES - 900) };
      const details = webPush.generateRequestDetails({ endpoint, keys: { p256dh, auth } }, JSON.stringify(words), {
        TTL: LASTS_S,
        urgency: urgent ? 'high' : 'low',
        // RFC 8030: one that was not brought yet gives way to the same again.
        topic: message.id.replaceAll('-', '').slice(0, 32),
        vapidDetails: { subject: `mailto:${contact}`, ...keys },
        contentEncoding: 'aes128gcm',
      }) as unknown as Details;
      const status = await post(details, isStandIn(endpoint)).catch((error: unknown) => {
        throw error instanceof ForbiddenAddress ? new DeadDevice(error.message) : error;
      });
      if (status === 404 || status === 410) throw new DeadDevice('the subscription is gone');
      if (status < 200 || status >= 300) throw new Error(`the push service answered ${status}`);
    },
  };
}
