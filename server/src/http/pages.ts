import type { ServerResponse } from 'node:http';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const HASHED = /-[0-9a-f]{32}\.|\.[0-9a-f]{32}\./;

function cacheHeaders(response: ServerResponse, file: string) {
  const lasting = HASHED.test(file);
  response.setHeader('Cache-Control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
}

/**
 * Serves the exported web build, precompressed files first. Files named by their content may be kept for a year;
 * any other address gets the page itself, which finds its own way.
 * @param before folder of the build before, whose files named by their content are served besides
 */
export function pages(folder: string, before?: string): Router {
  const router = Router();
  const page = join(folder, 'index.html');
  const filesOf = (from: string) =>
    expressStaticGzip(from, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: 'index.html',
      serveStatic: { setHeaders: cacheHeaders, redirect: false },
    });
  router.use(filesOf(folder));
  if (before !== undefined) {
    const files = filesOf(before);
    router.use((request, response, next) => (HASHED.test(request.path) ? files(request, response, next) : next()));
  }
  router.get('/{*path}', (request, response, next) => {
    if (request.path.startsWith('/api/') || /\.\w+$/.test(request.path)) return next();
    response.sendFile(page, { headers: { 'Cache-Control': 'no-cache' } });
  });
  return router;
}
