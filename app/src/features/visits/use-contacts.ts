import type { Card, ContactsPreview } from '@tembrin/contract';
import { CONTACTS_BYTES } from '@tembrin/contract/contacts';
import { useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { addCards, changeCard, removeCard, useCards } from '@/state/cards';
import { notify } from '@/state/notice';
import { copy } from '@/copy/screens/visits/contacts';
import { contactSchema, type Contact, type ContactRole } from '@tembrin/core/visits';
import { download, useFileInput } from '../files/files';
import { useAsking } from '../asking';

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Somebody as they are written down or changed. */
export function useContactSheet(card: Card<'contact'> | null, onClose: () => void) {
  const { busy, ask } = useAsking();
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [draft, setDraft] = useState({
    title: card?.facts.title ?? '',
    role: card?.facts.role ?? ('workshop' as ContactRole),
    phones: card?.facts.phones.join('\n') ?? '',
    emails: card?.facts.emails.join('\n') ?? '',
    address: card?.facts.address ?? '',
    note: card?.facts.note ?? '',
  });
  const save = () => {
    const read = contactSchema.safeParse({ ...draft, phones: linesOf(draft.phones), emails: linesOf(draft.emails) });
    if (!read.success)
      return setErrors(Object.fromEntries(read.error.issues.map(({ path, message }) => [String(path[0]), message])));
    onClose();
    void ask(async () => {
      if (card) await changeCard(card, read.data, copy.changed(read.data.title));
      else await addCards([{ kind: 'contact', facts: read.data }], copy.added(read.data.title));
    });
  };
  const remove = () => {
    onClose();
    if (card) void removeCard(card, copy.removed(card.facts.title));
  };
  return {
    draft,
    errors,
    busy,
    save,
    remove,
    change: (part: Partial<typeof draft>) => {
      setErrors({});
      setDraft({ ...draft, ...part });
    },
  };
}

/** A file of contacts: looked at, chosen from, taken over. */
export function useContactFile() {
  const cards = useCards('contact');
  const { busy, ask } = useAsking();
  const [found, setFound] = useState<ContactsPreview | null>(null);
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [role, setRole] = useState<ContactRole>('workshop');
  const [problem, setProblem] = useState<string | null>(null);
  const look = async (file: File) => {
    setFound(null);
    setChosen([]);
    setProblem(null);
    if (file.size > CONTACTS_BYTES) return setProblem(copy.tooLarge);
    await ask(async () => {
      try {
        const seen = await call('previewContacts', { file });
        setFound(seen);
        // One is surely meant; of many, nobody knows which.
        setChosen(seen.contacts.length === 1 ? [0] : []);
      } catch (error) {
        setProblem(sentenceOf(error));
      }
    });
  };
  const input = useFileInput(copy.file, '.vcf,text/vcard', (file) => void look(file));
  const take = () =>
    void ask(async () => {
      const facts = chosen.map((at): Contact => {
        const { role: said, ...contact } = found!.contacts[at]!;
        return { ...contact, role: said ?? role };
      });
      await addCards(
        facts.map((each) => ({ kind: 'contact' as const, facts: each })),
        copy.took(facts.length),
      );
      setFound(null);
    });
  return {
    cards,
    input,
    busy,
    found,
    problem,
    role,
    setRole,
    take,
    chosen,
    toggle: (at: number) => setChosen(chosen.includes(at) ? chosen.filter((each) => each !== at) : [...chosen, at]),
    save: () =>
      void ask(async () => {
        await download('exportContacts');
        notify(copy.saved);
      }),
  };
}
export type ContactFile = ReturnType<typeof useContactFile>;
