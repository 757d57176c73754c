import type { IncomingMessage, ServerResponse } from 'node:http';
import PostalMime from 'postal-mime';
import { SMTPServer } from 'smtp-server';
import { escaped, linked, pageOf } from './page';

/** A letter that came. */
export interface Letter {
  no: number;
  at: number;
  from: string;
  to: string;
  subject: string;
  text: string;
  html: string;
  /** Its headers, by name. */
  headers: Readonly<Record<string, string>>;
}

/** Letters kept, the newest; and bytes of one. */
const KEPT = 200;
const MOST_BYTES = 1_000_000;

/** Addresses that behave as some do: one that is not there any more, and one that is busy. */
const FAULTS: Readonly<Record<string, [code: number, said: string]>> = {
  'gone.example.org': [550, 'no such mailbox'],
  'busy.example.org': [451, 'try again later'],
};

async function textOf(stream: AsyncIterable<Buffer>): Promise<Buffer> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of stream) {
    bytes += part.length;
    if (bytes <= MOST_BYTES) parts.push(part);
  }
  if (bytes > MOST_BYTES) throw new Error('too large');
  return Buffer.concat(parts);
}

/**
 * A mailbox for every address: takes what is sent by SMTP, and shows it on a page of its own. Nothing leaves the machine.
 * @returns the SMTP server, not listening yet; what came, the newest first; and an answer for the page's addresses, `/mail` and below
 */
export function mailbox() {
  const letters: Letter[] = [];
  let count = 0;
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    disableReverseLookup: true,
    size: MOST_BYTES,
    logger: false,
    onRcptTo({ address }, _session, done) {
      const fault = FAULTS[address.split('@')[1] ?? ''];
      if (!fault) return done();
      done(Object.assign(new Error(fault[1]), { responseCode: fault[0] }));
    },
    onData(stream, session, done) {
      textOf(stream as AsyncIterable<Buffer>)
        .then((raw) => PostalMime.parse(raw))
        .then((mail) => {
          letters.unshift({
            no: ++count,
            at: Date.now(),
            from: mail.from?.address ?? '',
            to: session.envelope.rcptTo.map(({ address }) => address).join(', '),
            subject: mail.subject ?? '',
            text: mail.text ?? '',
            html: mail.html ?? '',
            headers: Object.fromEntries(mail.headers.map(({ key, value }) => [key, value])),
          });
          letters.length = Math.min(letters.length, KEPT);
          done();
        })
        .catch((error: Error) => done(error));
    },
  });
  const page = (request: IncomingMessage, response: ServerResponse): boolean => {
    const url = new URL(request.url ?? '/', 'http://localhost');
    if (request.method !== 'GET' || !/^\/mail(?:\/|$)/.test(url.pathname)) return false;
    const to = url.searchParams.get('to');
    const shown = letters.filter((letter) => to === null || letter.to === to);
    if (url.pathname === '/mail/all.json') {
      response.writeHead(200, { 'Content-Type': 'application/json' });
      response.end(JSON.stringify(shown));
      return true;
    }
    const letter = letters.find(({ no }) => url.pathname === `/mail/${no}`);
    response.writeHead(letter || url.pathname === '/mail' ? 200 : 404, {
      'Content-Type': 'text/html; charset=utf-8',
      // What a letter holds is shown, never run, and fetches nothing.
      'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
      'Referrer-Policy': 'no-referrer',
    });
    response.end(letter ? letterPage(letter) : listPage(shown));
    return true;
  };
  return { smtp, letters, page };
}

const clock = (at: number) => new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' }).format(at);

function listPage(letters: readonly Letter[]): string {
  const rows = letters.map(
    ({ no, at, to, subject }) =>
      `<li><a href="/mail/${no}">${escaped(subject)}</a><span>to ${escaped(to)}, ${clock(at)}</span></li>`,
  );
  return pageOf(
    'Letters',
    'Letters Tembrin has sent since it was started. They stay on this machine.',
    rows.length > 0 ? `<ol>${rows.join('')}</ol>` : '<p>None has been sent yet.</p>',
  );
}

/** Headers worth seeing: how a letter is left off, and what marks it. */
const SHOWN = ['message-id', 'list-unsubscribe', 'list-unsubscribe-post', 'auto-submitted'];

function letterPage({ subject, from, to, at, text, html, headers }: Letter): string {
  const facts = [
    ['From', from],
    ['To', to],
    ['Sent', clock(at)],
    ...SHOWN.flatMap((name) => (headers[name] === undefined ? [] : [[name, headers[name]]])),
  ] as [string, string][];
  return pageOf(
    escaped(subject),
    '<a href="/mail">All letters</a>',
    [
      `<dl>${facts.map(([name, value]) => `<dt>${escaped(name)}</dt><dd>${linked(value)}</dd>`).join('')}</dl>`,
      '<h2>As text</h2>',
      `<pre>${linked(text)}</pre>`,
      '<h2>As a mail program shows it</h2>',
      `<iframe title="The letter" sandbox srcdoc="${escaped(html)}"></iframe>`,
    ].join('\n'),
  );
}
