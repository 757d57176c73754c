import { SECOND_MS } from '@tembrin/core';
import { createTransport } from 'nodemailer';
import type { Config } from '../config';
import { written, type Letter } from './letter';

/** The address takes no mail, now or ever. */
export class DeadAddress extends Error {}

/** Sends mail. */
export interface Post {
  /**
   * @param id marks it: who gets the same twice can tell
   * @throws DeadAddress where its receiver is refused for good
   */
  send(to: string, letter: Letter, id: string, more?: Readonly<Record<string, string>>): Promise<void>;
  close(): void;
}

const PATIENCE_MS = 20 * SECOND_MS;

interface SmtpError {
  responseCode?: number;
  command?: string;
}

/** The name after the @ of an address. */
const domainOf = (from: string) => /@([\w.-]+)/.exec(from)?.[1] ?? 'localhost';

/** The way out for mail; null where none is set. */
export function postOf({ SMTP_URL, MAIL_FROM }: Pick<Config, 'SMTP_URL' | 'MAIL_FROM'>): Post | null {
  if (SMTP_URL === undefined) return null;
  const timeouts = { connectionTimeout: PATIENCE_MS, greetingTimeout: PATIENCE_MS, socketTimeout: PATIENCE_MS };
  const url = new URL(SMTP_URL);
  const transport = createTransport({
    host: url.hostname,
    port: Number(url.port) || (url.protocol === 'smtps:' ? 465 : 587),
    secure: url.protocol === 'smtps:',
    ...(url.username && {
      auth: { user: decodeURIComponent(url.username), pass: decodeURIComponent(url.password) },
    }),
    ...timeouts,
    // A letter is what is given: no files, nothing fetched.
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  return {
    async send(to, letter, id, more = {}) {
      try {
        await transport.sendMail({
          from: MAIL_FROM,
          // As an object: an address that looks like several is one, or none.
          to: { name: '', address: to },
          subject: letter.subject,
          ...written(letter),
          messageId: `<${id}@${domainOf(MAIL_FROM)}>`,
          headers: {
            // RFC 3834: machines that answer letters do not answer this one, so that none goes round in circles.
            'Auto-Submitted': 'auto-generated',
            'X-Auto-Response-Suppress': 'All',
            ...more,
          },
        });
      } catch (error) {
        const { responseCode = 0, command = '' } = error as SmtpError;
        if (responseCode >= 500 && command === 'RCPT TO') throw new DeadAddress('no mail is taken there');
        throw error;
      }
    },
    close: () => transport.close(),
  };
}
