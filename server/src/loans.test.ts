import { usualFacts } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { lookAt } from './notices/look';
import { household, openServer, type TestServer } from './testing/fixtures';
import { member } from './testing/people';
import { readPdf } from './testing/pdf';

const pdfText = async (bytes: Buffer) => (await readPdf(bytes)).pages.map(({ text }) => text).join(' ');

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

const loan = (instrumentId: string, more: object = {}) => ({
  instrumentId,
  personId: null,
  to: 'Oskar',
  reached: '+351 210 000 000',
  from: '2026-09-01',
  until: '2026-10-01',
  along: [{ title: 'Bow', back: null }],
  strings: 'borrower',
  note: null,
  back: null,
  ...more,
});
const lend = (facts: object) => ({ cards: [{ id: uuid(), kind: 'loan', facts }] });

test('an instrument is lent to one at a time; two keepers who lend it at once are told who has it', async () => {
  const { browser, instrument } = await household(server);
  const answers = await Promise.all([
    browser.post('/cards', lend(loan(instrument.id))),
    browser.post('/cards', lend(loan(instrument.id, { to: 'Pip' }))),
  ]);
  expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  const refused = answers.find(({ status }) => status === 409)!;
  expect(refused.body.detail).toMatch(/^It is lent to (Oskar|Pip) already/);
  const { cards } = answers.find(({ status }) => status === 201)!.body as { cards: { id: string; version: number }[] };
  const [card] = cards;
  // Back, it may be lent again.
  const back = loan(instrument.id, { back: '2026-10-02' });
  await browser.put(`/cards/${card!.id}`, card!.version, { kind: 'loan', facts: back }).expect(200);
  await browser.post('/cards', lend(loan(instrument.id, { to: 'Pip' }))).expect(201);
  await browser.put(`/cards/${card!.id}`, card!.version + 1, { kind: 'loan', facts: loan(instrument.id) }).expect(409);
});

test('who has it, of the household, is one of it', async () => {
  const { browser, instrument, household: own } = await household(server);
  await browser.post('/cards', lend(loan(instrument.id, { personId: uuid() }))).expect(422);
  await browser.post('/cards', lend(loan(instrument.id, { personId: own.people[0]!.id }))).expect(201);
});

test('who plays it sees the loan, and lends nothing', async () => {
  const party = await household(server);
  await party.browser.post('/cards', lend(loan(party.instrument.id))).expect(201);
  const own = await member(server, party, { role: 'player', plays: [party.instrument.id] });
  const other = await member(server, party, { role: 'player', plays: [] });
  const kinds = async ({ browser }: typeof own) =>
    ((await browser.get('/cards').expect(200)).body.cards as { kind: string }[]).map(({ kind }) => kind);
  expect(await kinds(own)).toEqual(['loan']);
  expect(await kinds(other)).toEqual([]);
  await own.browser.post('/cards', lend(loan(party.instrument.id))).expect(403);
});

test('one that is not back is told to who keeps it, in the digest', async () => {
  const { browser, household: own, instrument, email } = await household(server);
  await browser.post('/cards', lend(loan(instrument.id))).expect(201);
  const ground = { ...server.office.reminders, outside: { weather: () => Promise.resolve(null) } };
  // A Saturday at ten.
  await lookAt(ground, own.id, null, Date.parse('2026-12-05T10:00:00Z'));
  await server.office.queue.drain();
  const [letter] = server.post.to(email);
  expect(letter!.subject).toMatch(/thing is due|things are due/);
  expect(letter!.text).toMatch(/Heron is not back yet\n\nOskar was to bring it back on Thursday.? 1 October/);
});

test('whoever of the household has it on loan is told that it ends', async () => {
  const party = await household(server);
  const { email, person } = await member(server, party, { name: 'Pip', plays: [party.instrument.id] });
  const lent = loan(party.instrument.id, { personId: person.id, to: 'Pip', until: '2026-12-09' });
  await party.browser.post('/cards', lend(lent)).expect(201);
  const ground = { ...server.office.reminders, outside: { weather: () => Promise.resolve(null) } };
  await lookAt(ground, party.household.id, null, Date.parse('2026-12-05T10:00:00Z'));
  await server.office.queue.drain();
  expect(
    server.post
      .to(email)
      .map(({ text }) => text)
      .join(),
  ).toMatch(/Heron goes back on Wednesday.? 9 December\n\nThen your loan of it ends\./);
  expect(
    server.post
      .to(party.email)
      .map(({ text }) => text)
      .join(),
  ).not.toMatch(/goes back/);
});

describe('on paper', () => {
  const sheet = {
    title: 'Heron',
    about: 'Violin, lent to Oskar',
    sections: [{ title: 'The loan', rows: [['To', 'Oskar']] }],
    views: [],
    photos: [],
  };

  test('a loan has room for those who sign', async () => {
    const { browser, instrument } = await household(server);
    const body = { paper: 'a4', sheet, signs: ['Oskar', 'For the library'] };
    const answer = await browser.post(`/instruments/${instrument.id}/loan-sheet`, body).buffer(true).expect(200);
    expect(answer.type).toBe('application/pdf');
    const text = await pdfText(answer.body as Buffer);
    for (const words of ['Loan of an instrument', 'Heron', 'Oskar', 'For the library', 'Date'])
      expect(text).toContain(words);
    await browser.post(`/instruments/${uuid()}/loan-sheet`, body).expect(404);
    await browser.post(`/instruments/${instrument.id}/loan-sheet`, { ...body, signs: [] }).expect(422);
  });

  test('labels name each instrument; of what is not here none is printed', async () => {
    const { browser, instrument } = await household(server);
    const more = await browser
      .post('/instruments', {
        id: uuid(),
        name: 'A cello whose name is far too long for a label',
        ...usualFacts('cello'),
      })
      .expect(201);
    const ids = [instrument.id, (more.body as { id: string }).id];
    const answer = await browser.post('/labels', { paper: 'letter', instrumentIds: ids }).buffer(true).expect(200);
    const text = await pdfText(answer.body as Buffer);
    expect(text).toContain('Heron');
    expect(text).toContain('Cello');
    expect(text).toContain('…');
    await browser.post('/labels', { paper: 'a4', instrumentIds: [...ids, uuid()] }).expect(404);
    await browser.post('/labels', { paper: 'a4', instrumentIds: [] }).expect(422);
  });
});
