import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { setTimeout as sleep } from 'node:timers/promises';
import { API_ROOT, PHOTO_BYTES, REQUEST_HEADER } from '@tembrin/contract';
import { QUOTAS } from '@tembrin/contract/quotas';
import { objectStore } from '@tembrin/simulators';
import type { Response } from 'superagent';
import { ZipFile } from 'yazl';
import { FolderStorage, type Storage } from './photos/storage';
import { ObjectStorage } from './photos/object-store';
import { sweepPhotos } from './photos/sweep';
import { household, openServer, type TestServer } from './testing/fixtures';
import { madePhoto } from './testing/photos';

const folder = mkdtempSync(join(tmpdir(), 'tembrin-photos-test-'));
let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: folder });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true });
});

type Party = Awaited<ReturnType<typeof household>>;
const pathOf = ({ instrument }: Party, hash: string) => `/instruments/${instrument.id}/photos/${hash}`;
const send = (party: Party, hash: string, file: Buffer) =>
  party.browser.agent
    .post(API_ROOT + pathOf(party, hash))
    .set(REQUEST_HEADER, '1')
    .type('image/jpeg')
    .send(file);
const bytesOf = (response: Response, done: (error: Error | null, bytes: Buffer) => void) =>
  void buffer(response as unknown as NodeJS.ReadableStream).then((bytes) => done(null, bytes));
const read = (party: Party, hash: string) => party.browser.get(pathOf(party, hash)).buffer(true).parse(bytesOf);
/** Pictures that lie in the folder, halves of them too. */
const onDisk = () =>
  readdirSync(folder, { recursive: true, withFileTypes: true }).filter((each) => each.isFile()).length;

describe('a photograph', () => {
  test('is kept once, read as it was, and removed from the disk too', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('bridge');
    const before = onDisk();
    const kept = await send(party, hash, file).expect(201);
    expect(kept.body).toEqual({
      instrumentId: party.instrument.id,
      photo: hash,
      bytes: file.length,
      width: 640,
      height: 480,
    });
    await send(party, hash, file).expect(201);
    expect(onDisk()).toBe(before + 1);

    const answer = await read(party, hash)
      .expect(200)
      .expect('Content-Type', 'image/jpeg')
      .expect('Cache-Control', 'no-store');
    expect(answer.body).toEqual(file);
    expect((await party.browser.get('/photos').expect(200)).body).toEqual({ photos: [kept.body] });

    await party.browser.agent
      .delete(API_ROOT + pathOf(party, hash))
      .set(REQUEST_HEADER, '1')
      .expect(204);
    await read(party, hash).expect(404);
    expect(onDisk()).toBe(before);
  });

  test('sent many times at once is one', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('twice');
    const before = onDisk();
    const answers = await Promise.all([send(party, hash, file), send(party, hash, file)]);
    expect(answers.map(({ status }) => status)).toEqual([201, 201]);
    const { sequelize } = server.database;
    await sequelize.query('UPDATE blobs SET until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND');
    await sweepPhotos(server.database, server.storage);
    expect(onDisk()).toBe(before + 1);
    await read(party, hash).expect(200);
  });

  test.each([
    ['notes of place and camera', madePhoto('noted', { notes: 'Exif\0\0GPS' }), /notes of place/],
    ['more pixels than are kept', madePhoto('wide', { width: 4000 }), /2048 pixels/],
    ['a text called a photo', { ...madePhoto('text'), file: Buffer.from('no photo at all') }, /no photograph/],
    ['a drawing with a script', { ...madePhoto('svg'), file: Buffer.from('<svg onload="go()"/>') }, /no photograph/],
    ['an end that is missing', { ...madePhoto('cut'), file: madePhoto('cut').file.subarray(0, -2) }, /not whole/],
    ['another photo than it says', { ...madePhoto('one'), file: madePhoto('other').file }, /not the photograph/],
  ])('with %s is refused in a sentence, and nothing is kept', async (_what, { file, hash }, sentence) => {
    const party = await household(server);
    const before = onDisk();
    const answer = await send(party, hash, file).expect(422);
    expect(answer.body.detail).toMatch(sentence);
    expect(onDisk()).toBe(before);
    expect((await party.browser.get('/photos')).body).toEqual({ photos: [] });
  });

  test('too large is let go of as it comes', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('large', { bytes: PHOTO_BYTES });
    expect((await send(party, hash, file).expect(413)).body.detail).toMatch(/larger than 3 MB/);
  });

  test('whose sender goes away in the middle leaves nothing', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('cut in the middle', { bytes: 200_000 });
    const before = onDisk();
    const listening = await new Promise<Server>((resolve) => {
      const own = server.app.listen(0, '127.0.0.1', () => resolve(own));
    });
    const { port } = listening.address() as AddressInfo;
    const cookie = await party.browser.agent.jar.getCookies({
      path: '/',
      domain: '127.0.0.1',
      secure: false,
      script: false,
    });
    await new Promise<void>((resolve) => {
      const call = ask({
        port,
        host: '127.0.0.1',
        method: 'POST',
        path: API_ROOT + pathOf(party, hash),
        headers: { [REQUEST_HEADER]: '1', cookie: cookie.toValueString(), 'content-length': file.length },
      });
      call.on('error', () => resolve());
      call.write(file.subarray(0, 100_000), () => setTimeout(() => call.destroy(), 100));
    });
    await sleep(300);
    await new Promise((resolve) => listening.close(resolve));
    expect(onDisk()).toBe(before);
    expect((await party.browser.get('/photos')).body).toEqual({ photos: [] });
  });

  test('of another household is simply not there, also under its very hash', async () => {
    const [mine, theirs] = [await household(server), await household(server)];
    const { file, hash } = madePhoto('theirs');
    await send(theirs, hash, file).expect(201);
    await mine.browser.get(pathOf(theirs, hash)).expect(404);
    await mine.browser.get(pathOf(mine, hash)).expect(404);
    await mine.browser.agent
      .delete(API_ROOT + pathOf(theirs, hash))
      .set(REQUEST_HEADER, '1')
      .expect(404);
    await send({ ...mine, instrument: theirs.instrument }, hash, file).expect(404);
    await read(theirs, hash).expect(200);
  });

  test('goes with its instrument, from the disk too', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('goes along');
    const before = onDisk();
    await send(party, hash, file).expect(201);
    await party.browser.remove(`/instruments/${party.instrument.id}`, party.instrument.version).expect(204);
    expect(onDisk()).toBe(before);
  });

  test('is refused where there are as many as a household keeps, or they take as much', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('one too many');
    const blob = '00000000-0000-4000-8000-0000000000aa';
    const { sequelize, models } = server.database;
    await sequelize.query('INSERT IGNORE INTO blobs (id, until) VALUES (:blob, UTC_TIMESTAMP(3))', {
      replacements: { blob },
    });
    const row = {
      householdId: party.household.id,
      instrumentId: party.instrument.id,
      photo: madePhoto('full').hash,
      blob,
      bytes: QUOTAS.photoBytes - file.length + 1,
      width: 1,
      height: 1,
      keptAt: new Date(),
    };
    await models.Photo.create(row);
    expect((await send(party, hash, file).expect(422)).body.detail).toMatch(/at most 500 MB/);
    await models.Photo.destroy({ where: { householdId: party.household.id } });
    await models.Photo.create({ ...row, bytes: QUOTAS.photoBytes - file.length });
    await send(party, hash, file).expect(201);
  });
});

/** A server on the same database whose store of pictures is another. */
const withStorage = (storage: Storage) => openServer({}, { storage });

describe('the store', () => {
  test.each([
    ['full', 503, Object.assign(new Error('no space'), { code: 'ENOSPC' }), 'no-room'],
    ['broken', 500, Object.assign(new Error('read-only'), { code: 'EROFS' }), 'unforeseen'],
  ])('that is %s: nothing is half kept, and it is told', async (_how, status, error, type) => {
    const { file, hash } = madePhoto(type);
    const failing = withStorage({
      put: () => Promise.reject(error),
      get: () => Promise.resolve(null),
      remove: () => Promise.resolve(),
    });
    const party = await household(failing);
    const sent = await send(party, hash, file);
    expect([sent.status, (sent.body as { type: string }).type]).toEqual([status, `/problems/${type}`]);
    expect((await party.browser.get('/photos').expect(200)).body).toEqual({ photos: [] });
    await failing.close();
  });

  test('a server that ended between picture and photograph leaves nothing for long', async () => {
    const party = await household(server);
    const before = onDisk();
    const { sequelize } = server.database;
    const blob = '00000000-0000-4000-8000-0000000000bb';
    await sequelize.query('INSERT INTO blobs (id, until) VALUES (:blob, UTC_TIMESTAMP(3) + INTERVAL 60 MINUTE)', {
      replacements: { blob },
    });
    await server.storage!.put(blob, madePhoto('half').file);
    await sweepPhotos(server.database, server.storage);
    expect(onDisk()).toBe(before + 1);
    await sequelize.query('UPDATE blobs SET until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND WHERE id = :blob', {
      replacements: { blob },
    });
    await sweepPhotos(server.database, server.storage);
    expect(onDisk()).toBe(before);
    expect((await party.browser.get('/photos')).body).toEqual({ photos: [] });
  });

  test('without one, it is said that photos are not kept', async () => {
    const none = openServer({}, { storage: null });
    const party = await household(none);
    const { file, hash } = madePhoto('nowhere');
    expect((await send(party, hash, file).expect(503)).body.detail).toMatch(/keeps no photos/);
    await none.close();
  });

  test('shared by several servers, as an S3-compatible store', async () => {
    const access = { key: 'harbour', secret: 'quiet harbour tern', region: 'eu-west-1' };
    const store = objectStore(access);
    await new Promise<void>((resolve) => store.server.listen(0, '127.0.0.1', resolve));
    const url = `http://127.0.0.1:${(store.server.address() as AddressInfo).port}/photos`;
    const settings = {
      PHOTO_STORE_URL: url,
      PHOTO_STORE_KEY: access.key,
      PHOTO_STORE_SECRET: access.secret,
      PHOTO_STORE_REGION: access.region,
    };
    const [one, other] = [openServer(settings), openServer(settings)];
    const party = await household(one);
    const { file, hash } = madePhoto('shared');
    await send(party, hash, file).expect(201);
    expect([...store.objects.values()]).toEqual([file]);
    const blob = [...store.objects.keys()][0]!.slice('/photos/'.length, -'.jpg'.length);
    expect(await other.storage!.get(blob)).toEqual(file);
    await party.browser.agent
      .delete(API_ROOT + pathOf(party, hash))
      .set(REQUEST_HEADER, '1')
      .expect(204);
    expect(store.objects.size).toBe(0);
    expect(await other.storage!.get(blob)).toBeNull();

    const stranger = new ObjectStorage(url, { ...settings, PHOTO_STORE_SECRET: 'guessed' });
    await expect(stranger.put(blob, file)).rejects.toThrow(/cannot be reached/);
    expect(store.objects.size).toBe(0);
    await Promise.all([one.close(), other.close(), new Promise((resolve) => store.server.close(resolve))]);
    await expect(new ObjectStorage(url, settings as never).get(blob)).rejects.toThrow(/cannot be reached/);
  });

  test('a folder keeps a picture whole or not at all', async () => {
    const own = mkdtempSync(join(tmpdir(), 'tembrin-folder-'));
    const storage = new FolderStorage(own);
    await storage.put('00000000-0000-4000-8000-0000000000cc', Buffer.from('picture'));
    expect((await storage.get('00000000-0000-4000-8000-0000000000cc'))!.toString()).toBe('picture');
    await storage.remove('00000000-0000-4000-8000-0000000000cc');
    await storage.remove('00000000-0000-4000-8000-0000000000cc');
    expect(await storage.get('00000000-0000-4000-8000-0000000000cc')).toBeNull();
    rmSync(own, { recursive: true });
  });
});

describe('all photographs as a file', () => {
  const save = (party: Party) => party.browser.get('/export/photos.zip').buffer(true).parse(bytesOf).expect(200);
  const bring = (party: Party, file: Buffer) =>
    party.browser.agent.post(`${API_ROOT}/import/photos`).set(REQUEST_HEADER, '1').type('application/zip').send(file);
  const zipOf = (entries: readonly (readonly [string, Buffer])[], compress = false) => {
    const zip = new ZipFile();
    for (const [name, bytes] of entries) zip.addBuffer(bytes, name, { compress });
    zip.end();
    return buffer(zip.outputStream);
  };

  test('go out and come in again, where they are not there yet', async () => {
    const party = await household(server);
    const made = ['a', 'b', 'c'].map((own) => madePhoto(own, { bytes: 50_000 }));
    for (const { file, hash } of made) await send(party, hash, file).expect(201);
    const file = (await save(party)).body as Buffer;
    await party.browser.agent
      .delete(API_ROOT + pathOf(party, made[1]!.hash))
      .set(REQUEST_HEADER, '1')
      .expect(204);
    expect((await bring(party, file).expect(200)).body).toEqual({ photos: 1, known: 2, left: [] });
    expect((await read(party, made[1]!.hash).expect(200)).body).toEqual(made[1]!.file);
  });

  test('what is none of this household’s, packed otherwise or called otherwise stays behind, and it is said', async () => {
    const [party, theirs] = [await household(server), await household(server)];
    const { file, hash } = madePhoto('stranger');
    const own = `${party.instrument.id}/${hash}.jpg`;
    const foreign = await bring(party, await zipOf([[`${theirs.instrument.id}/${hash}.jpg`, file]])).expect(200);
    expect(foreign.body).toMatchObject({
      photos: 0,
      left: [expect.stringMatching(/^One photo stays behind. There is no such instrument/)],
    });
    const bomb = await bring(party, await zipOf([[own, Buffer.alloc(30_000_000)]], true)).expect(200);
    expect(bomb.body).toEqual({ photos: 0, known: 0, left: ['1 entry is no photo as it is saved here.'] });
    const other = await bring(
      party,
      await zipOf([
        ['notes.txt', Buffer.from('hello')],
        [own, file],
      ]),
    ).expect(200);
    expect(other.body).toEqual({ photos: 1, known: 0, left: ['1 entry is no photo as it is saved here.'] });
  });

  test.each([
    ['a text', Buffer.from('not a zip file, but long enough to look at')],
    ['nothing', Buffer.alloc(0)],
  ])('%s is no such file', async (_what, file) => {
    const party = await household(server);
    expect((await bring(party, file).expect(422)).body.detail).toMatch(/ZIP file/);
  });

  test('a file cut off is told, and nothing is taken for whole', async () => {
    const party = await household(server);
    const { file, hash } = madePhoto('cut archive', { bytes: 5000 });
    const whole = await zipOf([[`${party.instrument.id}/${hash}.jpg`, file]]);
    await bring(party, whole.subarray(0, whole.length - 40)).expect(422);
    expect((await party.browser.get('/photos')).body).toEqual({ photos: [] });
  });
});
