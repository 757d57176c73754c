import type { Card } from '@tembrin/contract';
import { DOER_TITLES } from '@tembrin/contract/year-words';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard, removeCard } from '@/state/cards';
import { changeHousehold, useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { readNumber } from '@/copy/numbers';
import { currencySchema, priceSchema, type PartCost, type Price } from '@tembrin/core/year';
import { dueOf, subjectOf, type DatedPart } from '@tembrin/core/parts';
import type { Doer } from '@tembrin/core/log';
import { Press, Row, Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/year/costs';
import { useCosts, type CostsModel } from './use-costs';

/** What upkeep costs this player: only what they entered, with its range. */
export function Costs() {
  const model = useCosts();
  const { priceCards, open, setOpen, currency, bySubject, known, complete } = model;
  if (!known || !complete) {
    return (
      <Screen title={copy.whatItCosts} back="/year">
        <Text tone="quiet">{copy.fetchingPricesAndLog}</Text>
      </Screen>
    );
  }
  return (
    <Screen title={copy.whatItCosts} back="/year">
      <Total model={model} />
      <CurrencyField />
      <Prices model={model} />
      {bySubject.length === 0 && <Text tone="quiet">{copy.nothingComesDueYet}</Text>}
      {open && (
        <PriceSheet
          key={`${subjectOf(open)} ${open.part}`}
          {...open}
          cards={priceCards.filter(({ facts }) => subjectOf(facts) === subjectOf(open) && facts.part === open.part)}
          currency={currency}
          onClose={() => setOpen(null)}
        />
      )}
    </Screen>
  );
}

function Total({ model }: { model: CostsModel }) {
  const { money, total, perHour, range, comparable, saved, paid, priced } = model;
  return (
    <Stack gap="small">
      <Text kind="figure">{priced ? money(total.middle) : '–'}</Text>
      <Text>{priced ? copy.inTheYearAhead(money(total.low), money(total.high), total.missing) : copy.noPriceIsOn}</Text>
      {paid > 0 && <Text>{copy.paidInTheYear(money(paid))}</Text>}
      {perHour && priced && <Text tone="quiet">{copy.forEveryHourPlayed(range(perHour))}</Text>}
      {comparable && (
        <Text tone="quiet">
          {saved >= 0 ? copy.doingStringsYourselfSaves(money(saved)) : copy.theShopIsAbout(money(-saved))}
        </Text>
      )}
    </Stack>
  );
}

/** Each part’s price, to be entered or changed. */
function Prices({ model }: { model: CostsModel }) {
  const { bySubject, setOpen, range } = model;
  const rowOf = (cost: PartCost) => [
    dueOf(cost.part).title,
    copy.inTheYear(timesWords(cost.times), DOER_TITLES[cost.who]),
    cost.cost ? range(cost.cost) : copy.enterAPrice,
  ];
  return (
    <>
      {bySubject.map(({ id, name, own }) => (
        <View key={id}>
          <Text kind="heading" level={2}>
            {name}
          </Text>
          {own.map((cost) => (
            <Press
              key={cost.part}
              role="button"
              aria-label={copy.priceOfFor(rowOf(cost), name)}
              onPress={() =>
                setOpen({ instrumentId: cost.instrumentId, bowId: cost.bowId, part: cost.part, by: cost.who })
              }
              row
              padY="small"
              gap="one"
              align="center"
              touch
              rule="bottom"
            >
              <Stack grow>
                <Text kind="strong">{rowOf(cost)[0]}</Text>
                <Text kind="small" tone="quiet">
                  {rowOf(cost)[1]}
                </Text>
              </Stack>
              <Text kind="table" tone={cost.cost ? 'text' : 'accent'}>
                {rowOf(cost)[2]}
              </Text>
            </Press>
          ))}
        </View>
      ))}
    </>
  );
}

function timesWords({ low, high }: PartCost['times']): string {
  if (high === 0) return 'not';
  const one = (times: number) => (times === 1 ? 'once' : times === 2 ? 'twice' : `${times} times`);
  return low === high ? one(low) : `${low} to ${high} times`;
}

/** The currency all prices are in. */
function CurrencyField() {
  const { currency } = useHousehold((state) => state.household)!;
  const [text, setText] = useState(currency ?? '');
  const [error, setError] = useState<string>();
  const save = async () => {
    const checked = currencySchema.safeParse(text.trim());
    if (!checked.success) return setError(checked.error.issues[0]?.message);
    setError(undefined);
    try {
      await changeHousehold({ currency: checked.data });
    } catch (failure) {
      notifyProblem(sentenceOf(failure));
    }
  };
  return (
    <Row gap="small" align="end">
      <Stack grow>
        <Field
          label="Currency"
          hint={copy.itsThreeLettersLike}
          value={text}
          onChangeText={setText}
          error={error}
          onSubmitEditing={() => void save()}
        />
      </Stack>
      {text.trim().toUpperCase() !== (currency ?? '') && (
        <Button rank="outline" title="Save" onPress={() => void save()} />
      )}
    </Row>
  );
}

function PriceSheet({
  instrumentId,
  bowId,
  part,
  by: usual,
  cards,
  currency,
  onClose,
}: {
  instrumentId: string;
  bowId: string | null;
  part: DatedPart;
  by: Doer;
  cards: readonly Card<'price'>[];
  currency: string;
  onClose: () => void;
}) {
  const [by, setBy] = useState<Doer>(usual);
  const known = cards.find(({ facts }) => facts.by === by) ?? null;
  return (
    <Sheet title={`Price: ${dueOf(part).title.toLowerCase()}`} onClose={onClose}>
      <Choice
        label="Done by"
        options={(['self', 'teacher', 'workshop'] as const).map((value) => ({
          value,
          title: value === 'self' ? copy.yourselfTheMaterial : DOER_TITLES[value],
        }))}
        value={by}
        onChange={setBy}
      />
      <PriceForm
        key={by}
        price={{ instrumentId, ...(bowId !== null && { bowId }), part, by }}
        card={known}
        currency={currency}
        onClose={onClose}
      />
    </Sheet>
  );
}

function PriceForm({
  price,
  card,
  currency,
  onClose,
}: {
  price: Pick<Price, 'instrumentId' | 'bowId' | 'part' | 'by'>;
  card: Card<'price'> | null;
  currency: string;
  onClose: () => void;
}) {
  const [low, setLow] = useState(card ? String(card.facts.low) : '');
  const [high, setHigh] = useState(card ? String(card.facts.high) : '');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = async () => {
    const from = readNumber(low) ?? NaN;
    const checked = priceSchema.safeParse({
      ...price,
      low: from,
      high: high.trim() === '' ? from : (readNumber(high) ?? NaN),
    });
    if (!checked.success)
      return setErrors(Object.fromEntries(checked.error.issues.map(({ path, message }) => [String(path[0]), message])));
    onClose();
    try {
      if (card) await changeCard(card, checked.data, copy.thePriceIsChanged);
      else await addCards([{ kind: 'price', facts: checked.data }], copy.thePriceIsOn);
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  return (
    <Stack gap="one">
      <Field label={`From, in ${currency}`} inputMode="decimal" value={low} onChangeText={setLow} error={errors.low} />
      <Field
        label={`To, in ${currency}`}
        hint={copy.leaveItEmptyWhere}
        inputMode="decimal"
        value={high}
        onChangeText={setHigh}
        error={errors.high}
      />
      <Button title={PUT_ON_RECORD} onPress={() => void save()} />
      {card && (
        <Button
          rank="plain"
          title={copy.takeThePriceAway}
          onPress={() => {
            onClose();
            void removeCard(card, copy.thePriceIsRemoved);
          }}
        />
      )}
    </Stack>
  );
}
