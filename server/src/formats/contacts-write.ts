import type { Contact } from '@tembrin/core';
import ICAL from 'ical.js';

/** Contacts as vCards, version 4.0. Published: RFC 6350. */
export function contactsText(contacts: readonly { id: string; facts: Contact }[]): string {
  return contacts
    .map(({ id, facts }) => {
      const card = new ICAL.Component(['vcard', [], []]);
      card.addPropertyWithValue('version', '4.0');
      card.addPropertyWithValue('uid', `urn:uuid:${id}`);
      card.addPropertyWithValue('fn', facts.title);
      for (const number of facts.phones) card.addPropertyWithValue('tel', number);
      for (const address of facts.emails) card.addPropertyWithValue('email', address);
      if (facts.address !== '') {
        const property = new ICAL.Property('adr', card);
        // Written down as a whole: the part for the street holds it.
        property.setValue(['', '', facts.address, '', '', '', '']);
        card.addProperty(property);
      }
      if (facts.note !== '') card.addPropertyWithValue('note', facts.note);
      card.addPropertyWithValue('categories', facts.role);
      return `${card.toString()}\r\n`;
    })
    .join('');
}
