/* Keeps the app itself on the device, so that it opens on a stand without reception. Data is not its business. */
const VERSION = 'development';
const FILES = [];

const PAGE = '/';
const CACHE = `tembrin-${VERSION}`;

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([PAGE, ...FILES])));
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((name) => name !== CACHE).map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  );
});

self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (request.method !== 'GET' || origin !== self.location.origin || pathname.startsWith('/api/')) return;
  if (request.mode === 'navigate') {
    // The newest page when there is a connection, the kept one when there is none.
    event.respondWith(fetch(request).catch(() => caches.match(PAGE)));
  } else if (FILES.includes(pathname)) {
    event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
  }
});
