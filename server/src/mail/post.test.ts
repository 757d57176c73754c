import type { AddressInfo } from 'node:net';
import { mailbox } from '@tembrin/simulators/mailbox';
import { DeadAddress, postOf, type Post } from './post';
import { written } from './letter';

const box = mailbox();
let post: Post;
beforeAll(async () => {
  await new Promise<void>((listening) => box.smtp.listen(0, '127.0.0.1', () => listening()));
  const { port } = box.smtp.server.address() as AddressInfo;
  post = postOf({ SMTP_URL: `smtp://127.0.0.1:${port}`, MAIL_FROM: 'Tembrin <upkeep@harbour.example>' })!;
});
afterAll(async () => {
  post.close();
  await new Promise<void>((closed) => box.smtp.close(() => closed()));
});

const letter = (subject: string) => ({
  subject,
  parts: ['Heron & Gull <need> air.', { title: 'Look', href: 'https://t.example/a?b=1&c=2#key' }],
});

test('a letter comes as text and as plain HTML, marked by its id, and as one that machines do not answer', async () => {
  await post.send('ines@example.org', letter('Wood leaves its band'), 'a-job');
  const [got] = box.letters;
  expect(got).toMatchObject({
    to: 'ines@example.org',
    from: 'upkeep@harbour.example',
    subject: 'Wood leaves its band',
  });
  expect(got!.text.trim()).toBe('Heron & Gull <need> air.\n\nLook:\nhttps://t.example/a?b=1&c=2#key');
  expect(got!.html).toContain('Heron &amp; Gull &lt;need&gt; air.');
  expect(got!.html).toContain('href="https://t.example/a?b=1&amp;c=2#key"');
  expect(got!.headers['message-id']).toBe('<a-job@harbour.example>');
  // RFC 3834, section 5.
  expect(got!.headers['auto-submitted']).toBe('auto-generated');
});

test('nothing is fetched, run or counted by reading it', () => {
  const { html } = written(letter('Quiet'));
  expect(html).not.toMatch(/<img|<script|<link|url\(|src=/i);
});

test.each([
  'Quiet\r\nBcc: everybody@example.org',
  'Quiet\nContent-Type: text/html\n\n<script>',
  '=?utf-8?Q?a=0D=0ABcc:x@example.org?=',
])('a subject makes no headers: %j', async (subject) => {
  await post.send('ines@example.org', letter(subject), 'another');
  const [got] = box.letters;
  expect(got!.to).toBe('ines@example.org');
  expect(Object.keys(got!.headers)).not.toContain('bcc');
  expect(got!.headers['content-type']).toMatch(/^multipart\/alternative/);
});

test.each(['ines@example.org, everybody@example.org', 'ines@example.org\r\nRCPT TO:<everybody@example.org>'])(
  'an address is one address, or none: %j',
  async (address) => {
    const before = box.letters.length;
    await post.send(address, letter('To one'), 'one').catch(() => undefined);
    expect(box.letters.slice(0, box.letters.length - before).map(({ to }) => to)).not.toContainEqual(
      expect.stringContaining('everybody'),
    );
  },
);

test('an address that is gone is told from one that is busy', async () => {
  await expect(post.send('somebody@gone.example.org', letter('Gone'), 'gone')).rejects.toThrow(DeadAddress);
  const busy = post.send('somebody@busy.example.org', letter('Busy'), 'busy');
  await expect(busy).rejects.toThrow();
  await expect(busy).rejects.not.toThrow(DeadAddress);
});

test('without an address of a mail server there is no way out', () => {
  expect(postOf({ SMTP_URL: undefined, MAIL_FROM: 'Tembrin <tembrin@localhost>' })).toBeNull();
});
