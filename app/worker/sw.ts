import { addRoute, cleanupOutdatedCaches, createHandlerBoundToURL, precache } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { NetworkOnly } from 'workbox-strategies';

/** Keeps the app itself on the device, so that it opens on a stand without reception. Data is not its business. */
declare const self: ServiceWorkerGlobalScope & {
  /** Filled in by the build: every file of it, with its revision where the name does not carry one. */
  __WB_MANIFEST: { url: string; revision: string | null }[];
};

/** How long the newest page is waited for before the kept one is shown. */
const PATIENCE_S = 4;

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

self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
