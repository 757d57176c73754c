import type { Card } from '@tembrin/contract';
import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { useMoment } from '../air/where';
import { dateOfDay, localDay } from '@tembrin/core/time';
import { occasionSchema, type Occasion, type OccasionKind } from '@tembrin/core/year';
import { copy } from '@/copy/screens/year/occasion-sheet';

export const ANY = 'any';

/** A day that matters, as typed, and keeping it. */
export function useOccasionForm({ card, onClose }: { card: Card<'occasion'> | null; onClose: () => void }) {
  const { instruments } = useHousehold((state) => state.household)!;
  const { nowMs, timeZone } = useMoment();
  const today = dateOfDay(localDay(nowMs, timeZone));
  const first = card?.facts.spans.find(({ to }) => to >= today) ?? card?.facts.spans[0];
  const recurring = (card?.facts.spans.length ?? 1) > 1;
  const [kind, setKind] = useState<OccasionKind>(card?.facts.kind ?? 'performance');
  const [title, setTitle] = useState(card?.facts.title ?? '');
  const [from, setFrom] = useState(first?.from ?? today);
  const [to, setTo] = useState(first?.to ?? '');
  const [whose, setWhose] = useState(card?.facts.instrumentId ?? ANY);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = async () => {
    const wanted: Occasion = {
      title,
      kind,
      instrumentId: whose === ANY ? null : whose,
      spans: recurring ? card!.facts.spans : [{ from, to: to || from }],
      source: card?.facts.source ?? null,
    };
    const checked = occasionSchema.safeParse(wanted);
    if (!checked.success)
      return setErrors(
        Object.fromEntries(checked.error.issues.map(({ path, message }) => [String(path.at(-1)), message])),
      );
    onClose();
    try {
      if (card) await changeCard(card, checked.data, 'Changed.');
      else await addCards([{ kind: 'occasion', facts: checked.data }], copy.isOnRecord(checked.data.title));
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  return {
    instruments,
    recurring,
    kind,
    setKind,
    title,
    setTitle,
    from,
    setFrom,
    to,
    setTo,
    whose,
    setWhose,
    errors,
    save,
  };
}
