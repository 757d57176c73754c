import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { CONTACTS_SHOWN, type ContactsPreview } from '@tembrin/contract';
import { hasHiddenSigns } from '@tembrin/contract/plain';
import { CONTACT_BOUNDS, CONTACT_ROLES, contactSchema } from '@tembrin/core';
import ICAL from 'ical.js';
import { fail } from '../problems/problems';

/** What of a card is looked at; pictures, sounds and keys are left out as they come. */
const LOOKED_AT = new Set(['begin', 'version', 'fn', 'n', 'org', 'tel', 'email', 'adr', 'note', 'categories', 'end']);
/** Characters of one card without what is left out. From memory: far more than anybody writes. */
const MOST_CHARS = 20_000;
/** Cards that cannot be read are told of by name up to so many. */
const MOST_UNREADABLE = 50;
const NOT_UTF8 = 'Its letters cannot be made out. Export it as UTF-8.';
const HIDDEN = 'It holds invisible signs that change how writing reads. Type this contact in instead.';
const CANNOT_READ = 'It cannot be made out. Export it as vCard 3.0 or 4.0.';

type Component = InstanceType<typeof ICAL.Component>;
type Found = ContactsPreview['contacts'][number];

/** The property a line is of: "item1.TEL;TYPE=home:…" is a "tel". */
function nameOf(line: string): string {
  const end = line.search(/[;:]/);
  const name = line.slice(0, end < 0 ? 0 : end).toLowerCase();
  return name.slice(name.lastIndexOf('.') + 1);
}

/** The cards of a file as text, without what is not looked at. */
async function* cardsIn(path: string): AsyncGenerator<string, void> {
  let card: string[] | null = null;
  let chars = 0;
  let kept = false;
  for await (const line of createInterface({ input: createReadStream(path, 'utf8'), crlfDelay: Infinity })) {
    const folded = line.startsWith(' ') || line.startsWith('\t');
    const name = nameOf(line);
    if (!folded) kept = LOOKED_AT.has(name);
    if (!folded && name === 'begin') [card, chars] = [[], 0];
    if (card === null || !kept) continue;
    // Groups are no concern of a reader that takes each property by itself.
    const grouped = line.indexOf('.');
    const text = !folded && grouped > 0 && grouped < line.search(/[;:]/) ? line.slice(grouped + 1) : line;
    chars += text.length;
    if (chars <= MOST_CHARS || name === 'end') card.push(text);
    if (!folded && name === 'end') {
      yield card.join('\r\n');
      card = null;
    }
  }
}

const textOf = (value: unknown): string =>
  (Array.isArray(value) ? (value as unknown[]).flat(2) : [value])
    .map((part) => String(part ?? '').trim())
    .filter((part) => part !== '')
    .join(', ');

/** What is written of a property, each value plain. */
const valuesOf = (card: Component, name: string): string[] =>
  card.getAllProperties(name).flatMap((property) => {
    const text = textOf(property.getValues());
    return text === '' ? [] : [text];
  });

/** A name as it is said: "Family;Given" is a family's and a given one. */
function titleOf(card: Component): string {
  const [formatted] = valuesOf(card, 'fn');
  if (formatted !== undefined) return formatted;
  const [family = '', given = ''] = ([card.getFirstPropertyValue('n')].flat() as unknown[]).map((part) => textOf(part));
  return [given, family].filter((part) => part !== '').join(' ') || (valuesOf(card, 'org')[0] ?? '');
}

const { phone, email } = { phone: contactSchema.shape.phones.element, email: contactSchema.shape.emails.element };
const fitting = (values: readonly string[], schema: typeof phone, most: number): string[] =>
  [...new Set(values.flatMap((value) => schema.safeParse(value).data ?? []))].slice(0, most);

function contactOf(card: Component): Found {
  const words = valuesOf(card, 'categories').join(',').toLowerCase();
  const numbers = valuesOf(card, 'tel').map((value) => value.replace(/^tel:/i, '').split(';', 1)[0]!);
  return {
    title: titleOf(card).slice(0, CONTACT_BOUNDS.name),
    phones: fitting(numbers, phone, CONTACT_BOUNDS.phones),
    emails: fitting(valuesOf(card, 'email'), email, CONTACT_BOUNDS.emails),
    address: (valuesOf(card, 'adr')[0] ?? '')
      .split('\n')
      .map((part) => part.trim())
      .join(', ')
      .slice(0, CONTACT_BOUNDS.address),
    note: (valuesOf(card, 'note')[0] ?? '').slice(0, CONTACT_BOUNDS.note),
    role: CONTACT_ROLES.find((role) => words.includes(role)) ?? null,
  };
}

/**
 * Reads a file of contacts: names, numbers, addresses; nothing else of them. Published: RFC 6350 (vCard 4.0), RFC 2426 (3.0).
 * @param path of the file
 * @throws ProblemError 422 where it holds no card
 */
export async function readContacts(path: string): Promise<ContactsPreview> {
  const found: ContactsPreview = { contacts: [], unreadable: [], cut: false };
  let cards = 0;
  for await (const text of cardsIn(path)) {
    cards++;
    if (found.contacts.length >= CONTACTS_SHOWN) {
      found.cut = true;
      break;
    }
    const unreadable = (title: string, why: string) =>
      void (found.unreadable.length < MOST_UNREADABLE && found.unreadable.push({ title: title.slice(0, 80), why }));
    try {
      const parsed = ICAL.parse(text) as unknown[];
      const jcard = (typeof parsed[0] === 'string' ? parsed : parsed[0]) as ConstructorParameters<
        typeof ICAL.Component
      >[0];
      const contact = contactOf(new ICAL.Component(jcard));
      if (/\uFFFD/.test(JSON.stringify(contact))) unreadable(contact.title, NOT_UTF8);
      else if (contact.title === '') unreadable('?', 'It has no name.');
      else if (
        Object.values(contact)
          .flat()
          .some((text) => text !== null && hasHiddenSigns(text))
      )
        unreadable(contact.title.replace(/[^\p{L}\p{N}\p{P}\p{Zs}]/gu, ''), HIDDEN);
      else found.contacts.push(contact);
    } catch {
      unreadable(/^FN[^:\r\n]*:(.{0,80})/im.exec(text)?.[1] ?? '?', CANNOT_READ);
    }
  }
  if (cards === 0) fail(422, 'no-contacts', 'There is no contact in this file. Export contacts as a vCard (.vcf).');
  return found;
}
