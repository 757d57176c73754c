import type { Card } from '@tembrin/contract';
import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard, removeCard } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateField, Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { useMoment } from '../air/where';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { dateOfDay, localDay } from '@tembrin/core/time';
import { OCCASIONS, occasionSchema, type Occasion, type OccasionKind } from '@tembrin/core/year';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/year/occasion-sheet';

const ANY = 'any';

/** A performance, an exam, a holiday: when, and on which instrument. */
export function OccasionSheet({ card, onClose }: { card: Card<'occasion'> | null; onClose: () => void }) {
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
  return (
    <Sheet
      title={card ? 'Change it' : copy.aDayThatMatters}
      onClose={onClose}
      foot={
        <>
          <Button title={PUT_ON_RECORD} onPress={() => void save()} />
          {card && (
            <Button
              rank="plain"
              title="Remove it"
              onPress={() => {
                onClose();
                void removeCard(card, `${card.facts.title} is removed.`);
              }}
            />
          )}
        </>
      }
    >
      <Choice
        label={copy.whatItIs}
        options={OCCASIONS.map((value) => ({ value, title: OCCASION_TITLES[value] }))}
        value={kind}
        onChange={setKind}
      />
      <Field label="Name" value={title} onChangeText={setTitle} error={errors.title} />
      {recurring ? (
        <Text tone="quiet">{copy.itTakesPlaceOn(card!.facts.spans.length)}</Text>
      ) : (
        <>
          <DateField type="date" label="On" value={from} onChange={setFrom} error={errors.from} />
          <DateField type="date" label={copy.untilIfItIs} value={to} onChange={setTo} error={errors.to} />
        </>
      )}
      {instruments.length > 1 && (
        <Choice
          label="On"
          options={[
            { value: ANY, title: 'Any instrument' },
            ...instruments.map(({ id, name }) => ({ value: id, title: name })),
          ]}
          value={whose}
          onChange={setWhose}
        />
      )}
    </Sheet>
  );
}
