import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { addCards, changeCard, useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { readNumber } from '@/copy/numbers';
import { copy } from '@/copy/screens/kit/passport';
import { identitySchema } from '@tembrin/core/passport';
import { useAsking } from '../asking';

/** What an instrument is told by, as it is typed and kept. */
export function useIdentity(instrument: Instrument) {
  const card = useCards('identity').findLast(({ facts }) => facts.instrumentId === instrument.id) ?? null;
  const currency = useHousehold((state) => state.household?.currency) ?? '';
  const { busy, ask } = useAsking();
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const { label = '', made = '', serial = '', marks = '', insurer = '', policy = '', came = '' } = card?.facts ?? {};
  const value = card?.facts.value ?? null;
  const [draft, setDraft] = useState({
    label,
    made,
    serial,
    marks,
    insurer,
    policy,
    came,
    amount: value === null ? '' : String(value.amount),
    currency: value?.currency ?? currency,
    on: value?.on ?? '',
  });
  const save = () => {
    const { amount, currency: named, on, ...words } = draft;
    const read = identitySchema.safeParse({
      ...words,
      instrumentId: instrument.id,
      value:
        amount.trim() === ''
          ? null
          : {
              amount: readNumber(amount) ?? NaN,
              currency: named.trim().toUpperCase(),
              on: on === '' ? null : on,
            },
    });
    if (!read.success)
      return setErrors(
        Object.fromEntries(read.error.issues.map(({ path, message }) => [String(path.at(-1)), message])),
      );
    void ask(async () => {
      if (card) await changeCard(card, read.data, copy.saved);
      else await addCards([{ kind: 'identity', facts: read.data }], copy.saved);
      router.navigate({ pathname: '/kit/[id]/passport', params: { id: instrument.id } });
    });
  };
  return {
    draft,
    errors,
    busy,
    save,
    change: (part: Partial<typeof draft>) => {
      setErrors({});
      setDraft({ ...draft, ...part });
    },
  };
}
