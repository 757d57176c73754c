import type { Card, Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { sentenceOf } from '@/state/api';
import { act } from '@/state/actions';
import { addCards } from '@/state/cards';
import { putAway, sayOfBow, useBowCard, type NamedBow } from '@/state/bows';
import { useHousehold } from '@/state/household';
import { copy } from '@/copy/screens/bows';
import { whenToMs, type When } from '../part/when';
import { bowSchema, type BowFacts } from '@tembrin/core/bow';
import { isBowed } from '@tembrin/core/instruments';

export interface BowSheetProps {
  instrument: Instrument;
  /** null: a bow that is added. */
  bow: NamedBow | null;
  nowMs: number;
  onClose: () => void;
}

/** What is known of a bow before anybody said more. */
function factsOf(instrument: Instrument, bow: NamedBow | null, card: Card<'bow'> | null): BowFacts {
  if (card) return card.facts;
  if (!bow) return { title: '', ownOf: null, instrumentIds: [instrument.id], use: 'seldom', gone: false };
  return {
    title: bow.name,
    ownOf: bow.bow.id,
    instrumentIds: [...bow.bow.instrumentIds],
    use: bow.bow.use,
    gone: false,
  };
}

/** What is said of a bow, and keeping it. */
export function useBowSheet({ instrument, bow, nowMs, onClose }: BowSheetProps) {
  const { instruments, timeZone } = useHousehold((state) => state.household)!;
  const card = useBowCard(bow?.bow.id ?? '');
  const [facts, setFacts] = useState(() => factsOf(instrument, bow, card));
  const [hair, setHair] = useState<When>({ kind: 'unsaid' });
  // Made once, so that a second try after a lost answer adds nothing twice.
  const [id] = useState(() => uuid());
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const bowed = instruments.filter(({ family }) => isBowed(family));
  const change = (more: Partial<BowFacts>) => {
    setErrors({});
    setFacts({ ...facts, ...more });
  };
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
      onClose();
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  const save = () => {
    const checked = bowSchema.safeParse(facts);
    const wrong = Object.fromEntries(
      (checked.error?.issues ?? []).map(({ path, message }) => [String(path[0]), message]),
    );
    if (facts.instrumentIds.length === 0) wrong['instrumentIds'] ??= copy.onWhichAtLeast;
    setErrors(wrong);
    if (!checked.success || Object.keys(wrong).length > 0) return;
    void attempt(async () => {
      if (bow) return sayOfBow(card, checked.data, copy.changed);
      await addCards([{ id, kind: 'bow', facts: checked.data }], null);
      const at = whenToMs(hair, nowMs, timeZone);
      const payload = { reason: 'on-record', known: hair.kind !== 'unknown', bowId: id } as const;
      await act(
        checked.data.instrumentIds[0]!,
        at === null ? [] : [{ type: 'rehaired', payload, at }],
        copy.added(checked.data.title),
      );
    });
  };
  const gone = () =>
    void attempt(async () => {
      await putAway(bow!.bow.id);
      await sayOfBow(card, { ...factsOf(instrument, bow, card), gone: true }, copy.goneNow(bow!.name));
    });
  return { bowed, facts, change, hair, setHair, timeZone, errors, problem, busy, save, gone };
}
