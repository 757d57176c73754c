import type { Card } from '@tembrin/contract';
import { removeCard } from '@/state/cards';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateField, Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { OCCASIONS } from '@tembrin/core/year';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/year/occasion-sheet';
import { useOccasionForm, ANY } from './use-occasion-form';

/** A performance, an exam, a holiday: when, and on which instrument. */
export function OccasionSheet({ card, onClose }: { card: Card<'occasion'> | null; onClose: () => void }) {
  const {
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
  } = useOccasionForm({ card, onClose });
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
