import { cacheNames } from 'workbox-core';
import { addRoute, cleanupOutdatedCaches, createHandlerBoundToURL, precache } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkOnly } from 'workbox-strategies';

/** Keeps the app itself on the device, so that it opens on a stand without reception. Data is not its business. */
declare const self: ServiceWorkerGlobalScope & {
  /** Filled in by the build: every file of it, with its revision where the name does not carry one. */
  __WB_MANIFEST: { url: string; revision: string | null }[];
};

/**
 * How long the newest page is waited for before the kept one is shown. From memory: what is waited for longer is felt. A page that is
 * a build behind finds its files here, and the next opening has the new ones.
 */
const PATIENCE_S = 0.3;

cleanupOutdatedCaches();
precache(self.__WB_MANIFEST);

const kept = createHandlerBoundToURL('/index.html');
const newest = new NetworkOnly({ networkTimeoutSeconds: PATIENCE_S });
registerRoute(
  new NavigationRoute(
    // The newest page when there is a connection, the kept one when there is none.
    async (options) => newest.handle(options).catch(() => kept(options)),
    { denylist: [/^\/api\//, /^\/workshop\//] },
  ),
);

// After the page itself, or "/" would be answered from what is kept even with a connection.
addRoute();

/** A browser that can answers what is named by its content from the cache itself, without waking the worker. */
interface StraightFromCache {
  addRoutes?: (rule: { condition: { urlPattern: string }; source: { cacheName: string } }) => Promise<void>;
}
self.addEventListener('install', (event) => {
  const { addRoutes } = event as StraightFromCache;
  const source = { cacheName: cacheNames.precache };
  if (addRoutes) event.waitUntil(addRoutes.call(event, { condition: { urlPattern: '/_expo/static/*' }, source }));
});

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** What a reminder says on this device, and with what it is answered. */
interface Told {
  id: string;
  title: string;
  body: string;
  path: string;
  key: string | null;
  doable: boolean;
}
const DONE = 'done';
const TOMORROW = 'tomorrow';
/** The hour of the morning at which what was put off is told again. */
const AGAIN_H = 9;

function show({ id, title, body, path, key, doable }: Told): Promise<void> {
  const actions = [
    ...(doable ? [{ action: DONE, title: 'Done' }] : []),
    ...(key === null ? [] : [{ action: TOMORROW, title: 'Tomorrow' }]),
  ];
  // The same again takes the place of the first.
  const options = { body, tag: id, icon: '/icons/icon-192.png', lang: 'en', data: { path, key }, actions };
  return self.registration.showNotification(title, options);
}

self.addEventListener('push', (event) => {
  const told = event.data?.json() as Told | undefined;
  if (told) event.waitUntil(show(told));
});

/** Opens a page of the app, in a window that is open already where there is one. */
async function open(path: string): Promise<void> {
  const windows = await self.clients.matchAll({ type: 'window' });
  const there = windows[0];
  if (!there) return void (await self.clients.openWindow(path));
  await there.focus();
  await there.navigate(path).catch(() => self.clients.openWindow(path));
}

/** Answers a reminder. What could not be sent is said, so that nobody takes it for done. */
async function answer(key: string, done: boolean, { title, path }: { title: string; path: string }): Promise<void> {
  const morning = new Date();
  morning.setDate(morning.getDate() + 1);
  morning.setHours(AGAIN_H, 0, 0, 0);
  const reply = done ? { answer: 'done' } : { answer: 'put-off', until: morning.toISOString() };
  const sent = await fetch('/api/v1/reminders/answer', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'x-tembrin': '1' },
    body: JSON.stringify({ key, reply }),
  }).catch(() => null);
  if (sent?.ok) return;
  const body = `Your answer could not be sent${sent ? '' : ': there is no connection'}. Open it, and answer there.`;
  await show({ id: key, title, body, path, key: null, doable: false });
}

self.addEventListener('notificationclick', (event) => {
  const { action, notification } = event;
  const { path, key } = notification.data as { path: string; key: string | null };
  notification.close();
  const answers = key !== null && (action === DONE || action === TOMORROW);
  event.waitUntil(answers ? answer(key, action === DONE, { title: notification.title, path }) : open(path));
});
