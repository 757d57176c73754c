import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER, type Share } from '@tembrin/contract';
import { ANSWER_BOUNDS } from '@tembrin/core';
import request from 'supertest';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, type TestServer } from './testing/fixtures';
import { readPdf } from './testing/pdf';
import { madePhoto } from './testing/photos';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: join(process.env.DATA_FOLDER!, 'photos-of-shares') });
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const PHOTO = madePhoto('of a seam');
const NASTY = '<script>alert(1)</script> & "quotes"';

/** A violin's brief in a visit, sent; with a photograph and a figure on record. */
async function sent() {
  const party = await household(server);
  const { browser, instrument } = party;
  await browser
    .put('/household', 1, {
      name: 'The Harbour',
      timeZone: 'Europe/Lisbon',
      schools: { checkup: 'B', cloths: 'B' },
      currency: 'EUR',
    })
    .expect(200);
  await browser.agent
    .post(`${API_ROOT}/instruments/${instrument.id}/photos/${PHOTO.hash}`)
    .set(REQUEST_HEADER, '1')
    .type('image/jpeg')
    .send(PHOTO.file)
    .expect(201);
  const seam = madeEvent(instrument.id, 'measured', { figure: 'rest-left', value: 31 });
  await browser.postEvents(seam).expect(200);
  const [briefId, visitId, secretId] = [uuid(), uuid(), uuid()];
  const facts = {
    instrumentId: instrument.id,
    title: 'A buzz, and a rehair',
    about: 'Violin.',
    sections: [{ title: 'What is noticed', lines: [NASTY] }],
    wishes: 'Call before more than 150.',
    asked: [
      { about: 'part', part: 'hair', bowId: null, words: 'Rehair' },
      { about: 'other', words: 'Find the buzz' },
    ],
    photos: [PHOTO.hash],
  };
  const visit = { briefIds: [briefId], contactId: null, date: null, askedAt: null, endedAt: null };
  const identity = {
    instrumentId: instrument.id,
    label: 'Nobody’s business',
    made: '',
    serial: 'SECRET-77',
    marks: '',
    value: null,
    insurer: '',
    policy: '',
    came: '',
  };
  await browser
    .post('/cards', {
      cards: [
        { id: briefId, kind: 'brief', facts },
        { id: visitId, kind: 'visit', facts: visit },
        { id: secretId, kind: 'identity', facts: identity },
      ],
    })
    .expect(201);
  const made = (await browser.post('/shares', { visitId }).expect(201)).body as Share;
  return { party, briefId, visitId, share: made, path: made.path! };
}
const outside = () => request(server.app);
const shares = async ({ browser }: Party) => (await browser.get('/shares').expect(200)).body.shares as Share[];
const answered = (path: string, fields: object) => outside().post(path).type('form').send(fields);

test('a link shows one brief and nothing else, without an account, a cookie or a script, and is told to nobody', async () => {
  const { path, party, share } = await sent();
  expect(share.openedAt).toBeNull();
  const page = await outside().get(path).expect(200);
  expect(page.headers).toMatchObject({
    'x-robots-tag': expect.stringContaining('noindex'),
    'referrer-policy': 'no-referrer',
    'cache-control': 'no-store',
  });
  expect(page.headers['content-security-policy']).toMatch(/^default-src 'none'/);
  expect(page.headers['set-cookie']).toBeUndefined();
  expect(page.text).toContain('Rehair');
  expect(page.text).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; &quot;quotes&quot;');
  expect(page.text).not.toContain('<script');
  for (const secret of ['SECRET-77', 'Nobody’s business', party.email, party.instrument.id, party.household.id])
    expect(page.text).not.toContain(secret);
  const photo = await outside().get(`${path}/photo/0/0`).responseType('blob').expect(200);
  expect((photo.body as Buffer).equals(PHOTO.file)).toBe(true);
  for (const place of ['0/1', '1/0', '-1/0', '__proto__/0', 'x/y'])
    await outside().get(`${path}/photo/${place}`).expect(404);
  const print = await outside().get(`${path}/print`).responseType('blob').expect(200);
  expect((await readPdf(print.body as Buffer)).pages[0]!.text).toMatch(/To be done.*Rehair.*Find the buzz/s);
  expect((await shares(party))[0]!.openedAt).not.toBeNull();
});

test('what the database holds opens nothing; a wrong, revoked or past link tells no more than that', async () => {
  const { path, party, share, visitId } = await sent();
  const row = await server.database.models.Share.findOne({ where: { id: share.id } });
  expect(JSON.stringify(row)).not.toContain(path.split('.')[1]);
  const key = path.split('/').at(-1)!;
  const closed = await outside().get(`/workshop/${share.id}`).expect(404);
  for (const wrong of [`${key}x`, key.slice(0, -1), `${uuid()}.${key.split('.')[1]}`, '.', 'a'.repeat(4000)])
    expect((await outside().get(`/workshop/${wrong}`).expect(404)).text).toBe(closed.text);
  await row!.update({ expiresAt: new Date(Date.now() - 1000) });
  expect((await outside().get(path).expect(404)).text).toBe(closed.text);
  expect((await shares(party))[0]!.path).toBeNull();
  const again = (await party.browser.post('/shares', { visitId, days: 7 }).expect(201)).body as Share;
  await outside().get(again.path!).expect(200);
  await party.browser.agent.delete(`${API_ROOT}/shares/${again.id}`).set(REQUEST_HEADER, '1').expect(204);
  await outside().get(again.path!).expect(404);
  await answered(again.path!, { kind: 'seen' }).expect(404);
});

test('what was sent stays as it was sent; sent anew, only the new link opens; gone with the instrument', async () => {
  const { path, party, briefId, visitId } = await sent();
  const { browser, instrument } = party;
  const card = (await browser.get('/cards')).body.cards.find(({ id }: { id: string }) => id === briefId);
  await browser
    .put(`/cards/${briefId}`, 1, { kind: 'brief', facts: { ...card.facts, title: 'Another title' } })
    .expect(200);
  expect((await outside().get(path)).text).toContain('A buzz, and a rehair');
  const { path: fresh } = (await browser.post('/shares', { visitId }).expect(201)).body as { path: string };
  await outside().get(path).expect(404);
  expect((await outside().get(fresh)).text).toContain('Another title');
  await browser.remove(`/instruments/${instrument.id}`, instrument.version).expect(204);
  await outside().get(fresh).expect(404);
});

test('a workshop answers in forms: seen, an estimate, a question, and what was done line by line', async () => {
  const { path, party, briefId, share } = await sent();
  await answered(path, { kind: 'seen', from: 'A. Luthier', note: '' }).expect(303).expect('location', path);
  // Pressed twice.
  await answered(path, { kind: 'seen', from: 'A. Luthier', note: '' }).expect(303);
  expect((await answered(path, { kind: 'question', note: 'paid\u202E 05 EUR' }).expect(422)).text).toContain(
    'invisible signs',
  );
  await answered(path, { kind: 'estimate', low: '80', high: '79,50', currency: 'EUR', ready: '' }).expect(422);
  await answered(path, { kind: 'estimate', low: '79,50', high: '120', currency: 'EUR', ready: '2030-03-01' }).expect(
    303,
  );
  await answered(path, { kind: 'question', note: NASTY }).expect(303);
  await answered(path, {
    kind: 'done',
    on: '2026-01-09',
    currency: 'EUR',
    'done-0-0': '1',
    'cost-0-0': '65',
    'words-0-0': '',
    'more-0-0': 'Glued a seam',
    'more-cost-0-0': '30.5',
    'figure-0-rest-left': '29',
    'figure-0-rest-right': '',
  }).expect(303);
  const page = (await outside().get(path)).text;
  expect(page).toContain('An estimate: €79.50 to €120.00, ready by 1 March 2030');
  expect(page).not.toContain('<script');
  const [{ answers } = { answers: [] }] = await shares(party);
  expect(answers.map(({ answer }) => answer.kind)).toEqual(['seen', 'estimate', 'question', 'done']);
  expect(answers[3]!.answer).toMatchObject({
    currency: 'EUR',
    on: '2026-01-09',
    sheets: [
      {
        briefId,
        lines: [
          { asked: 0, words: '', cost: 65 },
          { asked: null, words: 'Glued a seam', cost: 30.5 },
        ],
        figures: [{ figure: 'rest-left', value: 29 }],
      },
    ],
  });
  const settled = await party.browser.post(`/shares/${share.id}/answers/${answers[3]!.id}/settle`).expect(200);
  expect((settled.body as Share).answers.map(({ settledAt }) => settledAt !== null)).toEqual([
    false,
    false,
    false,
    true,
  ]);
});

test.each([
  ['nothing chosen', {}, /Choose one of the answers/],
  ['no such answer', { kind: 'paid' }, /Choose one of the answers/],
  ['an estimate without figures', { kind: 'estimate', currency: 'EUR' }, /Write what it would cost/],
  ['a number read two ways', { kind: 'estimate', low: '1,234', currency: 'EUR' }, /more than one way/],
  ['no currency', { kind: 'estimate', low: '80', currency: '' }, /Choose the currency/],
  ['an empty question', { kind: 'question', note: ' ' }, /Write the question/],
  ['nothing done', { kind: 'done', on: '2026-01-09' }, /Tick or write at least one/],
  [
    'a cost of what is not ticked',
    { kind: 'done', on: '2026-01-09', 'cost-0-0': '65', currency: 'EUR' },
    /tick “Rehair”/,
  ],
  [
    'a cost without words',
    { kind: 'done', on: '2026-01-09', 'more-cost-0-1': '5', currency: 'EUR' },
    /say what was done for 5/,
  ],
  [
    'sheets that are not these',
    { kind: 'done', on: '2026-01-09', 'done-0-0': '1', sheets: 'others' },
    /has changed since/,
  ],
  ['no day', { kind: 'done', on: '', 'done-0-0': '1' }, /Write the date/],
  ['a long word', { kind: 'question', note: 'x'.repeat(1001) }, /At most 1000/],
])('%s: the answer is asked for again with what was typed in it', async (_what, fields, told) => {
  const { path, party } = await sent();
  const page = await answered(path, { from: 'A. Luthier', ...fields }).expect(422);
  expect(page.text).toMatch(/role="alert">Not sent yet\./);
  expect(page.text).toMatch(told);
  if ('kind' in fields && fields.kind !== 'paid') expect(page.text).toContain('value="A. Luthier"');
  expect((await shares(party))[0]!.answers).toEqual([]);
});

test('answers are bounded: in size, in fields, in number', async () => {
  const { path, share } = await sent();
  await answered(path, { kind: 'question', note: 'x'.repeat(70_000) }).expect(413);
  const many = Object.fromEntries(Array.from({ length: 800 }, (_, at) => [`f${at}`, '1']));
  await answered(path, { kind: 'seen', ...many }).expect(413);
  const row = (await server.database.models.Share.findOne({ where: { id: share.id } }))!;
  await server.database.models.ShareAnswer.bulkCreate(
    Array.from({ length: ANSWER_BOUNDS.answers }, (_, at) => ({
      householdId: row.householdId,
      shareId: row.id,
      id: uuid(),
      at: new Date(),
      body: JSON.stringify({ kind: 'seen', from: '', note: String(at) }),
      settledAt: null,
    })),
  );
  expect((await answered(path, { kind: 'seen', note: 'more' }).expect(422)).text).toMatch(/As many answers/);
  for (let at = 0; at < 9; at++) await answered(path, { kind: 'paid' });
  expect((await answered(path, { kind: 'seen' }).expect(429)).text).toContain('Try again in ten minutes');
});

test('a visit is made of briefs that are there; a link is good for so long at most', async () => {
  const { party, visitId } = await sent();
  const facts = { briefIds: [uuid()], contactId: null, date: null, askedAt: null, endedAt: null };
  const refused = await party.browser.post('/cards', { cards: [{ id: uuid(), kind: 'visit', facts }] }).expect(422);
  expect(refused.body.detail).toMatch(/brief of this visit/);
  await party.browser.post('/shares', { visitId: uuid() }).expect(404);
  await party.browser.post('/shares', { visitId, days: 400 }).expect(422);
});
