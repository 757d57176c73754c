import type { PushSubscription } from '@tembrin/contract';

/** The browser was told not to show notifications. */
export class NotAllowed extends Error {}
/** The browser has none. */
export class NotAble extends Error {}

/**
 * Has the browser's push service take messages for this device.
 * @param publicKey this server's, by which the service knows it
 * @throws NotAllowed, NotAble
 */
export async function subscribeHere(publicKey: string): Promise<PushSubscription> {
  if (!('PushManager' in window) || !('serviceWorker' in navigator)) throw new NotAble();
  if ((await Notification.requestPermission()) !== 'granted') throw new NotAllowed();
  const { pushManager } = await navigator.serviceWorker.ready;
  const made = await pushManager
    .subscribe({ userVisibleOnly: true, applicationServerKey: publicKey })
    .catch(() => Promise.reject(new NotAble()));
  const { endpoint, keys } = made.toJSON();
  return { endpoint: endpoint!, p256dh: keys!.p256dh!, auth: keys!.auth! };
}

const SYSTEMS = ['iPhone', 'iPad', 'Android', 'Windows', 'Macintosh', 'Linux'] as const;

/** What this device is called in its owner's list, by what its browser says. */
export function thisDevice(): string {
  const { userAgent } = window.navigator;
  const system = SYSTEMS.find((name) => userAgent.includes(name));
  return system === undefined ? 'This browser' : system === 'Macintosh' ? 'Mac' : system;
}
