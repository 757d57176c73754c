import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { household, openServer, type TestServer } from './testing/fixtures';
import { readPdf } from './testing/pdf';
import { madePhoto } from './testing/photos';

let server: TestServer;
beforeAll(() => {
  server = openServer({ PHOTOS_DIR: join(process.env.DATA_FOLDER!, 'photos-of-briefs') });
});
afterAll(() => server.close());

const MM = 72 / 25.4;

async function made(more: object = {}) {
  const party = await household(server);
  const { id: instrumentId } = party.instrument;
  const facts = {
    instrumentId,
    title: 'A buzz, and a rehair',
    about: 'Violin, tuned to A = 442 Hz.',
    sections: [
      {
        title: 'What is noticed',
        lines: ['It buzzes on many notes.', 'Grüße, “žluťoučký”, ½ of it: <b>bold</b> & (brackets) \\ .'],
      },
      { title: 'Nothing', lines: [] },
    ],
    wishes: 'Call before more than 150.',
    photos: [],
    ...more,
  };
  const id = uuid();
  await party.browser.post('/cards', { cards: [{ id, kind: 'brief', facts }] }).expect(201);
  const print = (paper = 'a4') =>
    party.browser.agent.get(`${API_ROOT}/briefs/${id}/print?paper=${paper}`).responseType('blob');
  return { party, id, print, facts };
}

test('a brief is a page another program reads: text in order, its own fonts, tagged, on A4 or Letter', async () => {
  const { print, party } = await made();
  const answer = await print()
    .expect(200)
    .expect('content-type', /application\/pdf/);
  expect(answer.headers['content-disposition']).toContain('tembrin-brief.pdf');
  const { pages, info, marked } = await readPdf(answer.body as Buffer);
  expect(pages).toHaveLength(1);
  const [page] = pages;
  expect(page!.box.slice(2).map((length) => Math.round(length / MM))).toEqual([210, 297]);
  const order = [
    party.instrument.name,
    'Violin, tuned',
    'A buzz',
    'What is noticed',
    'It buzzes',
    '<b>bold</b> & (brackets)',
    'Wishes and limits',
    'Call before',
    'Seen and done',
  ];
  const places = order.map((words) => page!.text.indexOf(words));
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(places).not.toContain(-1);
  expect(page!.text).toContain('Grüße, “žluťoučký”, ½');
  expect(page!.text).not.toContain('Nothing');
  expect(info.Title).toBe(`${party.instrument.name}: A buzz, and a rehair`);
  expect(info.Language).toBe('en');
  expect(marked).toBe(true);
  expect(JSON.stringify(page!.tree)).toMatch(/"role":"H1".*"role":"H2".*"role":"P"/s);
  // Fonts are in the file: none of those a reader would have to have.
  const raw = (answer.body as Buffer).toString('latin1');
  expect(raw.match(/\/FontFile[23]/g)!.length).toBeGreaterThanOrEqual(3);
  expect(raw).not.toMatch(/\/BaseFont \/(Helvetica|Times|Courier)/);
  const letter = await readPdf((await print('letter').expect(200)).body as Buffer);
  expect(letter.pages[0]!.box.slice(2)).toEqual([612, 792]);
  await print('a5').expect(422);
});

test('photographs go along, in rows; one that was removed since is left out; a long one runs over', async () => {
  const party = await household(server);
  const pictures = ['one', 'two', 'three', 'four'].map((word) => madePhoto(word));
  for (const { hash, file } of pictures)
    await party.browser.agent
      .post(`${API_ROOT}/instruments/${party.instrument.id}/photos/${hash}`)
      .set(REQUEST_HEADER, '1')
      .type('image/jpeg')
      .send(file)
      .expect(201);
  const lines = Array.from({ length: 20 }, (_, at) => `Line ${at}: ${'seen and heard and felt, '.repeat(8)}`);
  const facts = {
    instrumentId: party.instrument.id,
    title: 'Long',
    about: '',
    sections: [
      { title: 'One', lines },
      { title: 'Two', lines },
    ],
    wishes: '',
    photos: [...pictures.map(({ hash }) => hash), 'f'.repeat(64)],
  };
  const id = uuid();
  await party.browser.post('/cards', { cards: [{ id, kind: 'brief', facts }] }).expect(201);
  const answer = await party.browser.agent.get(`${API_ROOT}/briefs/${id}/print`).responseType('blob').expect(200);
  const raw = (answer.body as Buffer).toString('latin1');
  expect(raw.match(/\/Subtype \/Image/g)).toHaveLength(4);
  const { pages } = await readPdf(answer.body as Buffer);
  expect(pages.length).toBeGreaterThan(1);
  expect(pages.map(({ text }) => text).join(' ')).toContain('Line 19');
  expect(pages.map(({ text }) => text).join(' ')).toContain('One more photograph is not kept on the server.');
  expect(JSON.stringify(pages.map(({ tree }) => tree))).toContain('Photograph 4 of 4');
});

test('what is no brief, or another household’s, is not printed; too long a one is not kept', async () => {
  const { party, print, id } = await made();
  const other = await household(server);
  await other.browser.get(`/briefs/${id}/print`).expect(404);
  await party.browser.get(`/briefs/${uuid()}/print`).expect(404);
  const long = { title: 'Long', lines: Array.from({ length: 20 }, () => 'x'.repeat(290)) };
  const { facts } = await made();
  const refused = await party.browser.post('/cards', {
    cards: [{ id: uuid(), kind: 'brief', facts: { ...facts, sections: [long, long, long] } }],
  });
  expect(refused.status).toBe(422);
  expect(JSON.stringify(refused.body)).toMatch(/Shorten it/);
  await party.browser.remove(`/instruments/${party.instrument.id}`, party.instrument.version).expect(204);
  await print().expect(404);
});
