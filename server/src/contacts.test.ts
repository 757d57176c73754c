import { API_ROOT, CONTACTS_SHOWN, REQUEST_HEADER, type ContactsPreview } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import Vcf from 'vcf';
import { household, openServer, type TestServer } from './testing/fixtures';

let server: TestServer;
beforeAll(() => {
  server = openServer();
});
afterAll(() => server.close());

type Party = Awaited<ReturnType<typeof household>>;
const look = ({ browser }: Party, text: string | Buffer) =>
  browser.agent.post(`${API_ROOT}/contacts/preview`).set(REQUEST_HEADER, '1').type('text/csv').send(text);
const found = async (party: Party, ...lines: string[]) =>
  (await look(party, lines.join('\r\n')).expect(200)).body as ContactsPreview;

const LUTHIER = {
  title: 'Wim Halloran, violins; bows',
  role: 'workshop',
  phones: ['+44 1632 960123', '01632 960124'],
  emails: ['bench@example.org'],
  address: '4 Rope Walk\nHarbour',
  note: 'Closed on Mondays, and in “August”: '.repeat(4).trim(),
};

test('contacts go out as vCards that another program reads, and come in again as they were', async () => {
  const party = await household(server);
  const teacher = { ...LUTHIER, title: 'Ana Pereira', role: 'teacher', phones: [], address: '', note: '' };
  await party.browser
    .post('/cards', { cards: [LUTHIER, teacher].map((facts) => ({ id: uuid(), kind: 'contact', facts })) })
    .expect(201);
  const { text, type, headers } = await party.browser.get('/export/contacts.vcf').expect(200);
  expect(type).toBe('text/vcard');
  expect(headers['content-disposition']).toContain('tembrin-contacts.vcf');
  // Lines are folded at 75 octets and end in CRLF (RFC 6350, 3.2).
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  const [first, second] = Vcf.parse(text);
  expect(first!.version).toBe('4.0');
  expect(first!.get('fn').valueOf()).toMatch(/^Wim Halloran\\, violins\\?; bows$/);
  expect([first!.get('tel')].flat().map(String).join()).toContain('+44 1632 960123');
  expect(second!.get('fn').valueOf()).toBe('Ana Pereira');
  const { contacts, unreadable } = await found(party, text);
  expect(unreadable).toEqual([]);
  expect(contacts).toEqual([{ ...LUTHIER, address: '4 Rope Walk, Harbour' }, teacher]);
});

test('signs that are not seen and turn the writing are refused, on a card of the household and in a file', async () => {
  const party = await household(server);
  const HIDDEN = ['\u202E', '\u2066', '\u0007', '\u200F'];
  for (const sign of HIDDEN)
    for (const field of ['title', 'address', 'note'] as const) {
      const facts = { ...LUTHIER, [field]: `4 Rope${sign} Walk` };
      const cards = [{ id: uuid(), kind: 'contact', facts }];
      await party.browser.post('/cards', { cards }).expect(422);
    }
  const card = (...lines: string[]) => ['BEGIN:VCARD', 'VERSION:4.0', ...lines, 'END:VCARD'];
  const { contacts, unreadable } = await found(
    party,
    ...card('FN:Wim\u202E Halloran'),
    ...card('FN:Ana Pereira', 'NOTE:closed\u2066 on Mondays'),
    ...card('FN:Tern Marsh', 'NOTE:rings\\ntwice'),
  );
  expect(contacts.map(({ title }) => title)).toEqual(['Tern Marsh']);
  expect(unreadable.map(({ title }) => title)).toEqual(['Wim Halloran', 'Ana Pereira']);
  expect(unreadable[0]!.why).toMatch(/invisible signs/);
});

test('cards as phones write them: groups, types, folded lines, names in parts, numbers as addresses', async () => {
  const { contacts, cut } = await found(
    await household(server),
    'BEGIN:VCARD',
    'VERSION:3.0',
    'N:Halloran;Wim;;;',
    'item1.TEL;type=CELL;type=pref:+44 1632',
    '  960123',
    'item1.X-ABLabel:Bench',
    'EMAIL;TYPE=INTERNET:bench@example.org',
    'ADR;TYPE=WORK:;;4 Rope Walk;Harbour;;HB1;',
    'END:VCARD',
    'BEGIN:VCARD',
    'VERSION:4.0',
    'FN:Ana',
    'TEL;VALUE=uri:tel:+351-21-000-0000;ext=12',
    'TEL:call me in the evening',
    'CATEGORIES:friends,teacher',
    'END:VCARD',
  );
  expect(cut).toBe(false);
  expect(contacts).toEqual([
    {
      title: 'Wim Halloran',
      phones: ['+44 1632 960123'],
      emails: ['bench@example.org'],
      address: '4 Rope Walk, Harbour, HB1',
      note: '',
      role: null,
    },
    { title: 'Ana', phones: ['+351-21-000-0000'], emails: [], address: '', note: '', role: 'teacher' },
  ]);
});

test('ten megabytes with photographs and scripts: names and numbers are read, nothing else is', async () => {
  const photo = Array.from({ length: 700 }, () => ` ${'QUJD'.repeat(18)}`).join('\r\n');
  const card = (at: number) =>
    `BEGIN:VCARD\r\nVERSION:3.0\r\nFN:<script>alert(${at})</script>\r\nPHOTO;ENCODING=b;TYPE=JPEG:\r\n${photo}\r\nTEL:0${1000 + at}\r\nURL:javascript:alert(1)\r\nEND:VCARD\r\n`;
  const text = Array.from({ length: 185 }, (_, at) => card(at)).join('');
  expect(text.length).toBeGreaterThan(9_500_000);
  const party = await household(server);
  const { contacts } = await found(party, text);
  expect(contacts).toHaveLength(185);
  expect(contacts[7]).toMatchObject({ title: '<script>alert(7)</script>', phones: ['01007'] });
  expect(JSON.stringify(contacts)).not.toMatch(/javascript|QUJD/);
  await look(party, Buffer.alloc(10_000_001, 'x')).expect(413);
});

test('what is no card, half a card, or too many of them is told', async () => {
  const party = await household(server);
  const refused = await look(party, 'name,phone\nWim,1').expect(422);
  expect(refused.body.detail).toMatch(/no contact in this file/);
  const odd = await found(
    party,
    'BEGIN:VCARD',
    'VERSION:4.0',
    'FN:No end',
    'BEGIN:VCARD',
    'VERSION:4.0',
    'TEL:123456',
    'END:VCARD',
    'BEGIN:VCARD',
    'VERSION:4.0',
    'FN',
    'FN:Broken',
    'END:VCARD',
  );
  expect(odd.contacts.map(({ title }) => title)).toEqual(['Broken']);
  expect(odd.unreadable).toEqual([{ title: '?', why: 'It has no name.' }]);
  const long = `FN:${'x'.repeat(400_000)}`;
  expect((await found(party, 'BEGIN:VCARD', 'VERSION:4.0', long, 'END:VCARD')).unreadable).toHaveLength(1);
  const many = Array.from(
    { length: CONTACTS_SHOWN + 20 },
    (_, at) => `BEGIN:VCARD\r\nVERSION:4.0\r\nFN:C${at}\r\nEND:VCARD`,
  );
  const { contacts, cut } = await found(party, ...many);
  expect([contacts.length, cut]).toEqual([CONTACTS_SHOWN, true]);
});

test('a contact is checked as it is kept', async () => {
  const { browser } = await household(server);
  const keep = (more: object) =>
    browser.post('/cards', { cards: [{ id: uuid(), kind: 'contact', facts: { ...LUTHIER, ...more } }] });
  expect((await keep({ phones: ['<b>1</b>'] }).expect(422)).text).toMatch(/written in digits/);
  expect((await keep({ emails: ['nobody'] }).expect(422)).text).toMatch(/has one @/);
  await keep({ title: ' ' }).expect(422);
  await keep({ phones: ['1234', '2345', '3456', '4567'] }).expect(422);
});
