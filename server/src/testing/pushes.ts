import { createECDH, randomBytes } from 'node:crypto';
import type { PushSubscription } from '@tembrin/contract';
import { endpointFault } from '../push/addresses';
import { DeadDevice, type Push, type PushMessage } from '../push/push';

/** A subscription as a browser makes one, at a push service of this name. */
export function subscription(host = 'push.example.org'): PushSubscription {
  return {
    endpoint: `https://${host}/${randomBytes(12).toString('base64url')}`,
    p256dh: createECDH('prime256v1').generateKeys('base64url'),
    auth: randomBytes(16).toString('base64url'),
  };
}

/** A way out through push services that keeps what it is given. */
export class Pushes implements Push {
  readonly publicKey = createECDH('prime256v1').generateKeys('base64url');
  readonly standIn = false;
  readonly sent: (PushMessage & { endpoint: string; urgent: boolean })[] = [];
  /** Addresses whose subscription is gone. */
  readonly dead = new Set<string>();
  /** Whether nobody answers. */
  down = false;
  readonly fault = endpointFault;

  subscribe(): Promise<PushSubscription> {
    return Promise.reject(new Error('there is no stand-in'));
  }

  send({ endpoint }: PushSubscription, message: PushMessage, urgent: boolean): Promise<void> {
    if (this.down) return Promise.reject(new Error('nobody answers'));
    if (this.dead.has(endpoint)) return Promise.reject(new DeadDevice('gone'));
    this.sent.push({ ...message, endpoint, urgent });
    return Promise.resolve();
  }
}
