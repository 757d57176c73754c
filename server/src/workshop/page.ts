import { WORKSHOP_ROOT } from '@tembrin/contract';
import { FIGURE_DATA, type Answer } from '@tembrin/core';
import { createElement as h, Fragment, type ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import type { OpenShare, SentDocument, SentSheet } from '../store/shares';
import { fieldOf, MORE_LINES, sheetsKey, type Fields } from './form';
import { STYLE } from './style';

const dayWords = (at: number | Date) =>
  new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(at);
const moneyWords = (amount: number, currency: string) =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount);

/** A whole page; nothing in it runs. */
function page(title: string, ...body: ReactNode[]): string {
  const document = h(
    'html',
    { lang: 'en' },
    h(
      'head',
      null,
      h('meta', { charSet: 'utf-8' }),
      h('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
      h('meta', { name: 'robots', content: 'noindex, nofollow, noarchive' }),
      h('meta', { name: 'referrer', content: 'no-referrer' }),
      h('title', null, title),
      h('style', { dangerouslySetInnerHTML: { __html: STYLE } }),
    ),
    h('body', null, h('main', null, ...body)),
  );
  return `<!doctype html>${renderToStaticMarkup(document)}`;
}

/** What is told where a link opens nothing: which of the reasons it is, is nobody's business. */
export function closedPage(): string {
  return page(
    'Nothing here',
    h('h1', null, 'This link opens nothing'),
    h('p', null, 'It may be past its date, it may have been called back, or a part of it is missing.'),
    h('p', null, 'Ask whoever sent it to send a new one.'),
  );
}

/** Told where something is asked for too often. */
export function tooOftenPage(): string {
  return page('Too often', h('h1', null, 'That was asked for very often'), h('p', null, 'Try again in ten minutes.'));
}

const stretched = () => h('div', { className: 'string', 'aria-hidden': true }, h('i'), h('b'), h('u'));

function sheetOf(sheet: SentSheet, at: number, address: string): ReactNode {
  const { name, about, title, sections, wishes, asked, photos } = sheet;
  return h(
    'section',
    { className: 'sheet', key: at, 'aria-label': name },
    h('h1', null, name),
    h('p', { className: 'quiet' }, about),
    stretched(),
    h('h2', null, title),
    asked.length > 0 &&
      h(
        Fragment,
        null,
        h('h3', null, 'To be done'),
        h('ul', { className: 'asked' }, ...asked.map(({ words }, line) => h('li', { key: line }, words))),
      ),
    wishes !== '' && h(Fragment, null, h('h3', null, 'Wishes and limits'), h('p', { className: 'wish pre' }, wishes)),
    ...sections.map((section, key) =>
      h(
        Fragment,
        { key },
        h('h3', null, section.title),
        ...section.lines.filter((line) => line !== '').map((line, no) => h('p', { key: no }, line)),
      ),
    ),
    photos.length > 0 &&
      h(
        Fragment,
        null,
        h('h3', null, photos.length === 1 ? 'A photograph' : `${photos.length} photographs`),
        h(
          'div',
          { className: 'photos' },
          ...photos.map((_, no) => {
            const href = `${address}/photo/${at}/${no}`;
            const alt = `${name}, photograph ${no + 1} of ${photos.length}`;
            return h('a', { href, key: no }, h('img', { src: href, alt, loading: 'lazy' }));
          }),
        ),
      ),
  );
}

function answerWords(answer: Answer, { sheets }: SentDocument): ReactNode[] {
  const by = answer.from === '' ? '' : ` (${answer.from})`;
  const note = answer.note === '' ? [] : [h('p', { className: 'pre' }, answer.note)];
  switch (answer.kind) {
    case 'seen':
      return [`Seen${by}`, ...note];
    case 'question':
      return [`A question${by}`, ...note];
    case 'estimate': {
      const { low, high, currency, ready } = answer;
      const range =
        low === high ? moneyWords(low, currency) : `${moneyWords(low, currency)} to ${moneyWords(high, currency)}`;
      return [
        `An estimate${by}: ${range}${ready === null ? '' : `, ready by ${dayWords(Date.parse(ready))}`}`,
        ...note,
      ];
    }
    case 'done':
      return [
        `Done on ${dayWords(Date.parse(answer.on))}${by}`,
        h(
          'ul',
          null,
          ...answer.sheets.flatMap(({ briefId, lines, figures }) => {
            const sheet = sheets.find((each) => each.briefId === briefId);
            const name = sheets.length > 1 && sheet ? `${sheet.name}: ` : '';
            return [
              ...lines.map(({ asked, words, cost }) => {
                const what = words || (asked === null ? '' : (sheet?.asked[asked]?.words ?? ''));
                return `${name}${what}${cost === null || answer.currency === null ? '' : `, ${moneyWords(cost, answer.currency)}`}`;
              }),
              ...figures.map(
                ({ figure, value }) => `${name}${FIGURE_DATA[figure].title}: ${value} ${FIGURE_DATA[figure].unit}`,
              ),
            ].map((words, key) => h('li', { key: `${briefId} ${key}` }, words));
          }),
        ),
        ...note,
      ];
  }
}

/** Fields of a form with what was typed in them before, where it comes back to be mended. */
function fieldsWith(typed: Fields) {
  let ids = 0;
  const labelled = (label: string, make: (id: string) => ReactNode) => {
    const id = `f${ids++}-${typed.kind ?? ''}`;
    return h(Fragment, { key: id }, h('label', { htmlFor: id }, label), make(id));
  };
  const input = (name: string, label: string, more: object = {}) =>
    labelled(label, (id) => h('input', { id, name, defaultValue: typed[name] ?? '', autoComplete: 'off', ...more }));
  return {
    input,
    area: (name: string, label: string, more: object = {}) =>
      labelled(label, (id) => h('textarea', { id, name, defaultValue: typed[name] ?? '', ...more })),
    money: (name: string, label: string) => input(name, label, { inputMode: 'decimal' }),
    currency: (usual: string | null) =>
      labelled('Currency', (id) =>
        h(
          'select',
          { id, name: 'currency', defaultValue: typed.currency ?? usual ?? '' },
          h('option', { value: '' }, 'Choose'),
          ...Intl.supportedValuesOf('currency').map((code) => h('option', { key: code, value: code }, code)),
        ),
      ),
  };
}

type FormFields = ReturnType<typeof fieldsWith>;

function doneFields(sheet: SentSheet, at: number, several: boolean, typed: Fields): ReactNode {
  const { name, asked, figures } = sheet;
  const plain = (field: string, label: string, more: object = {}) =>
    h('input', { name: field, 'aria-label': label, defaultValue: typed[field] ?? '', autoComplete: 'off', ...more });
  const cost = (field: string, what: string) =>
    plain(field, `Cost: ${what}`, { inputMode: 'decimal', placeholder: 'Cost' });
  return h(
    'fieldset',
    { key: at },
    h('legend', null, several ? `What was done to ${name}` : 'What was done'),
    ...asked.map(({ words }, line) => {
      const field = fieldOf.done(at, line);
      return h(
        'div',
        { className: 'done', key: line },
        h('input', {
          type: 'checkbox',
          id: field,
          name: field,
          value: '1',
          defaultChecked: typed[field] !== undefined,
        }),
        h('label', { htmlFor: field }, words),
        cost(fieldOf.cost(at, line), words),
        plain(fieldOf.words(at, line), `In your words: ${words}`, { className: 'words', placeholder: 'In your words' }),
      );
    }),
    ...Array.from({ length: MORE_LINES }, (_, line) =>
      h(
        'div',
        { className: 'done', key: `more ${line}` },
        plain(fieldOf.moreWords(at, line), `Besides, ${line + 1}`, {
          className: 'wide',
          placeholder: 'Something besides',
        }),
        cost(fieldOf.moreCost(at, line), `besides, ${line + 1}`),
      ),
    ),
    figures.length > 0 &&
      h(
        'details',
        null,
        h('summary', null, 'New figures'),
        ...figures.map(({ figure, value }) => {
          const field = fieldOf.figure(at, figure);
          const { title, unit } = FIGURE_DATA[figure];
          return h(
            'div',
            { className: 'figure', key: figure },
            h('label', { htmlFor: field }, `${title}, ${unit}${value === null ? '' : ` (was ${value})`}`),
            h('input', {
              id: field,
              name: field,
              defaultValue: typed[field] ?? '',
              inputMode: 'decimal',
              autoComplete: 'off',
            }),
          );
        }),
      ),
  );
}

/** One of the answers, folded until it is chosen. */
function answerForm(
  kind: Answer['kind'],
  summary: string,
  send: string,
  typed: Fields,
  body: (fields: FormFields) => ReactNode[],
) {
  const own = typed.kind === kind ? typed : { kind };
  const fields = fieldsWith(own);
  return h(
    'details',
    { key: kind, open: typed.kind === kind },
    h('summary', null, summary),
    h(
      'form',
      { method: 'post' },
      h('input', { type: 'hidden', name: 'kind', value: kind }),
      ...body(fields),
      fields.input('from', 'Your name', { maxLength: 80 }),
      h('button', null, send),
    ),
  );
}

function forms(document: SentDocument, typed: Fields, today: string): ReactNode {
  const { currency, sheets } = document;
  return h(
    'section',
    { className: 'noprint' },
    h('h3', null, 'Your answer'),
    answerForm('seen', 'I have seen it', 'Say that it was seen', typed, ({ area }) => [
      area('note', 'A word, if you like'),
    ]),
    answerForm('estimate', 'What it may cost, and when', 'Send the estimate', typed, (fields) => [
      h(
        'div',
        { className: 'pair', key: 'range' },
        h('div', null, fields.money('low', 'From')),
        h('div', null, fields.money('high', 'To')),
      ),
      fields.currency(currency),
      fields.input('ready', 'Ready by', { type: 'date' }),
      fields.area('note', 'A word, if you like'),
    ]),
    answerForm('question', 'A question', 'Send the question', typed, ({ area }) => [
      area('note', 'The question', { required: true }),
    ]),
    answerForm('done', 'It is done', 'Send what was done', typed, (fields) => [
      h('input', { type: 'hidden', name: 'sheets', value: sheetsKey(document), key: 'sheets' }),
      ...sheets.map((sheet, at) => doneFields(sheet, at, sheets.length > 1, typed.kind === 'done' ? typed : {})),
      fields.currency(currency),
      fields.input('on', 'Done on', { type: 'date', ...(typed.on === undefined && { defaultValue: today }) }),
      fields.area('note', 'What the player should know'),
    ]),
  );
}

/**
 * A brief as a workshop opens it, with the forms for its answer.
 * @param key the secret part of its address
 * @param told what went wrong with the answer, where it comes back to be mended with what was typed; null: nothing
 */
export function briefPage(
  { document, until, answers }: OpenShare,
  key: string,
  typed: Fields,
  told: string | null,
): string {
  const address = `${WORKSHOP_ROOT}/${key}`;
  const { from, sheets } = document;
  return page(
    `${sheets.map(({ name }) => name).join(', ')}: a brief`,
    h(
      'p',
      { className: 'quiet small' },
      `From ${from}. This page is for you alone, and open until ${dayWords(until)}.`,
    ),
    told !== null && h('p', { role: 'alert' }, `Not sent yet. ${told}`),
    answers.length > 0 &&
      h(
        Fragment,
        null,
        told === null && h('p', { role: 'status' }, 'Your answer has arrived.'),
        h(
          'ul',
          { className: 'answers', 'aria-label': 'What you answered' },
          ...answers.map(({ at, answer }, no) =>
            h(
              'li',
              { key: no },
              h('span', { className: 'quiet small' }, `${dayWords(at)}. `),
              ...answerWords(answer, document),
            ),
          ),
        ),
      ),
    ...sheets.map((sheet, at) => sheetOf(sheet, at, address)),
    h('p', { className: 'noprint' }, h('a', { href: `${address}/print` }, 'As a page to print (PDF)')),
    forms(document, typed, new Date().toISOString().slice(0, 10)),
  );
}
