import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { PASSPORT_BOUNDS, type PassportDocument } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { household, madeEvent, openServer, type TestServer } from './testing/fixtures';
import { readPdf } from './testing/pdf';
import { madePhoto } from './testing/photos';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: join(process.env.DATA_FOLDER!, 'photos-of-passports') });
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const MM = 72 / 25.4;
const passport = (more: Partial<PassportDocument> = {}): PassportDocument => ({
  title: 'Heron',
  about: 'Violin, tuned to A = 442 Hz.',
  sections: [
    { title: 'What it is told by', rows: [['Label', 'Grüße aus “Žofín”, ½']] },
    { title: 'Strings', rows: [['3 May 2026', 'New set of strings: worn']] },
  ],
  views: [],
  photos: [],
  ...more,
});
const print = ({ browser, instrument }: Party, document: PassportDocument, paper = 'a4') =>
  browser.post(`/instruments/${instrument.id}/passport`, { paper, passport: document }).responseType('blob');

async function keep({ browser, instrument }: Party, words: readonly string[]) {
  const made = words.map((word) => madePhoto(word));
  for (const { hash, file } of made)
    await browser.agent
      .post(`${API_ROOT}/instruments/${instrument.id}/photos/${hash}`)
      .set(REQUEST_HEADER, '1')
      .type('image/jpeg')
      .send(file)
      .expect(201);
  return made.map(({ hash }) => hash);
}

test('a passport is read by another program: what it is told by, its state, its life in order, on A4 or Letter', async () => {
  const party = await household(server);
  const [front, back, mark] = await keep(party, ['front', 'back', 'mark']);
  const document = passport({
    views: [
      { photo: front!, words: 'Front, 3 May 2026' },
      { photo: back!, words: 'Back, 3 May 2026' },
      { photo: 'f'.repeat(64), words: 'Gone since' },
    ],
    photos: [{ photo: mark!, words: 'A mark' }],
  });
  const answer = await print(party, document).expect(200);
  expect(answer.headers['content-disposition']).toContain('tembrin-passport.pdf');
  const { pages, info, marked } = await readPdf(answer.body as Buffer);
  expect(pages[0]!.box.slice(2).map((length) => Math.round(length / MM))).toEqual([210, 297]);
  const text = pages.map((page) => page.text).join(' ');
  const places = [
    'Heron',
    'What it is told by',
    'Grüße aus “Žofín”, ½',
    'Its state',
    'Front, 3 May',
    'Strings',
    'A mark',
  ].map((words) => text.indexOf(words));
  expect(places).not.toContain(-1);
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(text).toContain('One more photograph is not on these pages.');
  expect([info.Title, info.Language, marked]).toEqual(['Heron: passport', 'en', true]);
  const raw = (answer.body as Buffer).toString('latin1');
  expect(raw.match(/\/Subtype \/Image/g)).toHaveLength(3);
  expect(raw).not.toMatch(/\/BaseFont \/(Helvetica|Times|Courier)/);
  const letter = await readPdf((await print(party, passport(), 'letter').expect(200)).body as Buffer);
  expect(letter.pages[0]!.box.slice(2)).toEqual([612, 792]);
});

test('thirty years of upkeep come out whole, and nobody else waits meanwhile', async () => {
  const party = await household(server);
  const rows = Array.from({ length: PASSPORT_BOUNDS.rows - 1 }, (_, at): [string, string] => [
    `Day ${at}`,
    `New A string: worn, number ${at}, ${'and so on, '.repeat(8)}`,
  ]);
  const document = passport({
    sections: [
      { title: 'Label', rows: [['a', 'b']] },
      { title: 'Strings', rows },
    ],
  });
  const slow = print(party, document).expect(200);
  let finished = false;
  const done = slow.then((answer) => {
    finished = true;
    return answer;
  });
  await party.browser.get('/household').expect(200);
  expect(finished).toBe(false);
  const { pages } = await readPdf((await done).body as Buffer);
  const text = pages.map((page) => page.text).join(' ');
  expect(text).toContain('Day 0');
  expect(text).toContain(`Day ${PASSPORT_BOUNDS.rows - 2}`);
});

test('what is more than a passport holds, or of another household, is refused', async () => {
  const [party, other] = [await household(server), await household(server)];
  const photos = Array.from({ length: PASSPORT_BOUNDS.photos + 1 }, (_, at) => ({
    photo: at.toString(16).padStart(64, '0'),
    words: '',
  }));
  const refused = async (document: object) =>
    party.browser.post(`/instruments/${party.instrument.id}/passport`, { passport: document }).expect(422);
  await refused(passport({ photos }));
  await refused(passport({ views: photos.slice(0, 40), photos: photos.slice(0, 40) }));
  await refused(passport({ title: '' }));
  const row = Array.from({ length: 800 }, (): [string, string] => ['', 'x']);
  const told = await refused(
    passport({
      sections: [
        { title: 'One', rows: row },
        { title: 'Two', rows: row },
      ],
    }),
  );
  expect(JSON.stringify(told.body)).toMatch(/1500 lines/);
  await party.browser.post(`/instruments/${other.instrument.id}/passport`, { passport: passport() }).expect(404);
  await party.browser.post(`/instruments/${uuid()}/passport`, { passport: passport() }).expect(404);
});

test('what an instrument is told by, its state, its visits and contacts go out in the archive and come in again without a loss', async () => {
  const [from, to] = [await household(server), await household(server)];
  const { id } = from.instrument;
  const [hash] = await keep(from, ['archived']);
  const briefId = uuid();
  const words = { label: 'A label', made: '1890', serial: '7', marks: '', insurer: 'Mutual', policy: 'P', came: '' };
  const cards = [
    { kind: 'identity', facts: { ...words, instrumentId: id, value: { amount: 9, currency: 'EUR', on: null } } },
    { kind: 'contact', facts: { title: 'A', role: 'dealer', phones: ['112'], emails: [], address: '', note: '' } },
  ].map((card) => ({ id: uuid(), ...card }));
  const brief = { instrumentId: id, title: 'B', about: '', sections: [], wishes: '', asked: [], photos: [hash!] };
  const visit = { briefIds: [briefId], contactId: cards[1]!.id, date: '2026-06-09', askedAt: null, endedAt: null };
  await from.browser
    .post('/cards', {
      cards: [...cards, { id: briefId, kind: 'brief', facts: brief }, { id: uuid(), kind: 'visit', facts: visit }],
    })
    .expect(201);
  const stay = madeEvent(id, 'brought-in', { visitId: null, expected: null }, Date.now() - 9e8);
  await from.browser
    .postEvents(
      stay,
      madeEvent(id, 'fetched-back', { stayId: stay.id }, Date.now() - 8e8),
      madeEvent(id, 'photographed', { photo: hash!, look: null, zone: null, findingId: null, view: 'front' }),
    )
    .expect(200);
  const { text } = await from.browser.get('/export/household.json').expect(200);
  const photos = await from.browser.agent.get(`${API_ROOT}/export/photos.zip`).responseType('blob').expect(200);
  const bring = (path: string, body: string | Buffer, type: string) =>
    to.browser.agent.post(`${API_ROOT}${path}`).set(REQUEST_HEADER, '1').type(type).send(body).expect(200);
  await bring('/import/household', text, 'text/csv');
  await bring('/import/photos', photos.body as Buffer, 'application/zip');
  const all = async ({ browser }: Party) => ({
    cards: ((await browser.get('/cards')).body as { cards: object[] }).cards,
    events: ((await browser.get('/events')).body as { events: object[] }).events,
    photos: ((await browser.get('/photos')).body as { photos: object[] }).photos,
  });
  expect(await all(to)).toEqual(await all(from));
});
