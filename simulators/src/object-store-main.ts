import { objectStore } from './object-store';

/** Runs the stand-in store of pictures by itself, for trying several servers that share one. */
const {
  STORE_PORT = '9000',
  PHOTO_STORE_KEY = 'key',
  PHOTO_STORE_SECRET = 'secret',
  PHOTO_STORE_REGION = 'us-east-1',
} = process.env;
const { server } = objectStore({ key: PHOTO_STORE_KEY, secret: PHOTO_STORE_SECRET, region: PHOTO_STORE_REGION });
server.listen(Number(STORE_PORT), '127.0.0.1', () =>
  console.log(`Pictures can be kept at http://127.0.0.1:${STORE_PORT}/photos, until this ends.`),
);
