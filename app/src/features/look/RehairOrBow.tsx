import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { sayOfBow, useBowCard, useBows } from '@/state/bows';
import { useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { sentenceOf } from '@/state/api';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { numberWords, readNumber } from '@/copy/numbers';
import { copy } from '@/copy/screens/look/looked';
import { rehairOrBow } from '@tembrin/core/inspection';
import type { TwoClock } from '@tembrin/core/parts';
import { MONTH_DAYS } from '@tembrin/core/time';
import { lifeDays } from '@tembrin/core/year';

interface RehairOrBowProps {
  instrument: Instrument;
  /** The clock of the hair that is on: how long hair lasts here. */
  clock: TwoClock | null;
  hoursPerDay: number;
  /** Whether the size is one that is outgrown. */
  grows: boolean;
}

const SIZES = Object.entries(copy.sizes).map(([months, title]) => ({ value: Number(months), title }));

/** The price of the rehair against that of another bow, both the player's own. */
export function RehairOrBow({ instrument, clock, hoursPerDay, grows }: RehairOrBowProps) {
  const currency = useHousehold((state) => state.household)!.currency ?? 'EUR';
  const [bow] = useBows(instrument);
  const card = useBowCard(bow?.bow.id ?? '');
  const rehairs = useCards('price').filter(
    ({ facts }) => facts.part === 'hair' && facts.instrumentId === instrument.id && facts.by === 'workshop',
  );
  const price = rehairs.at(-1)?.facts;
  const [months, setMonths] = useState(12);
  const [text, setText] = useState(card?.facts.price == null ? '' : String(card.facts.price));
  const [error, setError] = useState<string>();
  const money = (value: number) => numberWords(value, { style: 'currency', currency, maximumFractionDigits: 0 });
  const bowPrice = card?.facts.price ?? null;
  const keep = async () => {
    const typed = readNumber(text);
    if (typed === null || typed < 0 || typed > 1_000_000) return setError(copy.writePrice);
    if (!bow) return;
    const facts = card?.facts ?? {
      title: bow.name,
      ownOf: bow.bow.id,
      instrumentIds: [...bow.bow.instrumentIds],
      use: bow.bow.use,
      gone: false,
    };
    try {
      await sayOfBow(card, { ...facts, price: typed }, copy.kept);
    } catch (problem) {
      notifyProblem(sentenceOf(problem));
    }
  };
  const hairMonths = clock ? lifeDays(clock.life, hoursPerDay) / MONTH_DAYS : 24;
  const answer =
    price && bowPrice !== null
      ? rehairOrBow({
          rehairPrice: (price.low + price.high) / 2,
          bowPrice,
          hairMonths,
          sizeMonths: grows ? months : null,
        })
      : null;
  return (
    <Stack gap="half">
      <Text kind="heading" level={2}>
        {copy.rehairTitle}
      </Text>
      {price ? (
        <Text>
          {copy.pricesRehair(
            price.low === price.high ? money(price.low) : `${money(price.low)} to ${money(price.high)}`,
          )}
        </Text>
      ) : (
        <LinkRow href="/year/costs" title={copy.rehairPrice} text={copy.noRehairPrice} />
      )}
      {grows && <Choice label={copy.sizeFor} options={SIZES} value={months} onChange={setMonths} />}
      <Field
        label={`${copy.bowPrice}, ${currency}`}
        inputMode="decimal"
        value={text}
        onChangeText={(typed) => {
          setError(undefined);
          setText(typed);
        }}
        error={error}
        onSubmitEditing={() => void keep()}
      />
      <Button rank="outline" title={copy.keep} onPress={() => void keep()} start />
      {answer && (
        <Stack role="status" gap="hair">
          <Text kind="strong">{copy.cheaper[answer.cheaper](money(answer.rehairCost), money(answer.bowCost))}</Text>
          {answer.rehairs > 1 && <Text>{copy.times(answer.rehairs)}</Text>}
        </Stack>
      )}
      <Text kind="small" tone="quiet">
        {copy.pricesAreYours}
      </Text>
    </Stack>
  );
}
