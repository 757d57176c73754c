import type { Card, Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard, removeCard, useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { useNow } from '@/state/now';
import { useSpares } from '@/state/year';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { DateField, Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { lastingWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import { FAMILY_NAMES } from '@/copy/names';
import { noteNames } from '@/copy/strings';
import { StringRange } from './StringRange';
import { OLD_SPARE_YEARS, openStrings, presetsFor, spareSchema, type Spare } from '@tembrin/core/strings';
import { variantOf } from '@tembrin/core/instruments';
import { Row, Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/strings/spares';

/** Spares with what is left of them, oldest first, and the household's own sets. */
export function Spares() {
  const spares = useSpares();
  const sets = useCards('set');
  const nowMs = useNow(60_000);

  const [open, setOpen] = useState<Card<'spare'> | 'new' | null>(null);
  const [own, setOwn] = useState<Card<'set'> | null>(null);
  const sorted = [...spares].sort((a, b) => ((a.card.facts.boughtOn ?? '9') < (b.card.facts.boughtOn ?? '9') ? -1 : 1));
  return (
    <Screen title="Spares" back="/kit" foot={<Button title={copy.putASpareIn} onPress={() => setOpen('new')} />}>
      {sorted.length === 0 && sets.length === 0 && (
        <Empty title={copy.noSparesOnRecord} text={copy.packetsOfStringsWhole} />
      )}
      {sorted.length > 0 && (
        <View role="list" aria-label="Spares">
          {sorted.map(({ card, left }) => {
            const { facts } = card;
            const bought = facts.boughtOn === null ? null : Date.parse(facts.boughtOn);
            const age = bought === null ? null : nowMs - bought;
            const single = facts.positions.length === 1;
            const broken = left.strings.some((count) => count !== left.packets);
            return (
              <Stack role="listitem" key={card.id} padY="half" gap={2} rule="bottom">
                <Row gap="one" align="baseline">
                  <Text kind="strong" grow>
                    {facts.title}
                  </Text>
                  <Text kind="title" tone={left.packets === 0 ? 'now' : 'text'}>
                    {String(left.packets)}
                  </Text>
                </Row>
                <Text kind="small" tone="quiet">
                  {[
                    FAMILY_NAMES[facts.family],
                    single ? 'single string' : `${facts.positions.length} strings`,
                    `of ${facts.quantity}`,
                    age === null ? null : `bought ${lastingWords(Math.max(86_400_000, age))} ago`,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </Text>
                {broken && (
                  <Text kind="small">
                    {`Opened: ${listWords(left.strings.map((count, at) => `${count} of string ${facts.positions.length - at}`).filter((_, at) => left.strings[at] !== left.packets))} left.`}
                  </Text>
                )}
                {age !== null && age > OLD_SPARE_YEARS * 365.25 * 86_400_000 && (
                  <Text kind="small" tone="soon">
                    {copy.moreThanYearsOld(OLD_SPARE_YEARS)}
                  </Text>
                )}
                <Row outdent="small">
                  <Button rank="plain" title="Change" label={`Change ${facts.title}`} onPress={() => setOpen(card)} />
                  <Button
                    rank="plain"
                    title="Remove"
                    label={`Remove ${facts.title}`}
                    onPress={() => {
                      void removeCard(card, copy.isOutOfThe(facts.title));
                    }}
                  />
                </Row>
              </Stack>
            );
          })}
        </View>
      )}
      {sets.length > 0 && (
        <View>
          <Text kind="heading" level={2}>
            {copy.setsOfYourOwn}
          </Text>
          {sets.map((card) => (
            <Row key={card.id} align="center" rule="bottom">
              <Text grow>{`${card.facts.title}, ${FAMILY_NAMES[card.facts.family].toLowerCase()}`}</Text>
              <Button rank="plain" title="Rename" label={`Rename ${card.facts.title}`} onPress={() => setOwn(card)} />
              <Button
                rank="plain"
                title="Remove"
                label={`Remove ${card.facts.title}`}
                onPress={() => {
                  void removeCard(card, `${card.facts.title} is removed.`);
                }}
              />
            </Row>
          ))}
        </View>
      )}
      {open !== null && <SpareSheet card={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
      {own && <RenameSheet card={own} onClose={() => setOwn(null)} />}
    </Screen>
  );
}

function RenameSheet({ card, onClose }: { card: Card<'set'>; onClose: () => void }) {
  const [title, setTitle] = useState(card.facts.title);
  const save = async () => {
    onClose();
    try {
      await changeCard(card, { ...card.facts, title: title.trim() || card.facts.title }, 'Renamed.');
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  return (
    <Sheet title="Rename" onClose={onClose} foot={<Button title="Save" onPress={() => void save()} />}>
      <Field label="Name" value={title} onChangeText={setTitle} />
    </Sheet>
  );
}

const OTHER = 'other';

function SpareSheet({ card, onClose }: { card: Card<'spare'> | null; onClose: () => void }) {
  const { instruments } = useHousehold((state) => state.household)!;
  const [forId, setForId] = useState<string | null>(instruments[0]?.id ?? null);
  const instrument = instruments.find(({ id }) => id === forId) ?? null;
  const [preset, setPreset] = useState<string>(OTHER);
  const [positions, setPositions] = useState<number[]>(card ? [...card.facts.positions] : []);
  const [title, setTitle] = useState(card?.facts.title ?? '');
  const [quantity, setQuantity] = useState(String(card?.facts.quantity ?? 1));
  const [boughtOn, setBoughtOn] = useState(card?.facts.boughtOn ?? new Date().toISOString().slice(0, 10));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const presets = instrument ? presetsFor(instrument, openStrings(instrument)) : [];
  const all = instrument ? Array.from({ length: instrument.stringCount }, (_, at) => at) : [];
  const save = async () => {
    const chosen = presets.find(({ id }) => id === preset);
    const which = positions.length === 0 ? all : [...positions].sort((a, b) => a - b);
    const wanted: unknown = card
      ? { ...card.facts, title, quantity: Number(quantity), boughtOn: boughtOn || null }
      : {
          title: title.trim() || chosen?.title || '',
          family: instrument?.family,
          kind: instrument?.kind ?? null,
          positions: which,
          specs: chosen ? which.map((at) => chosen.strings[at] ?? null) : null,
          quantity: Number(quantity),
          boughtOn: boughtOn || null,
        };
    const checked = spareSchema.safeParse(wanted);
    if (!checked.success) {
      return setErrors(Object.fromEntries(checked.error.issues.map(({ path, message }) => [String(path[0]), message])));
    }
    onClose();
    try {
      const facts: Spare = checked.data;
      if (card) await changeCard(card, facts, 'Changed.');
      else await addCards([{ kind: 'spare', facts }], copy.isInTheCupboard(facts.title));
    } catch (error) {
      notifyProblem(sentenceOf(error));
    }
  };
  const names = instrument ? shortNames(instrument) : [];
  return (
    <Sheet
      title={card ? copy.changeASpare : copy.putASpareIn}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}
    >
      {!card && (
        <>
          <Choice
            label={copy.forAnInstrumentLike}
            options={instruments.map(({ id, name }) => ({ value: id, title: name }))}
            value={forId}
            onChange={(id) => {
              setForId(id);
              setPreset(OTHER);
              setPositions([]);
            }}
          />
          <Choice
            label={copy.whatItIs}
            options={[
              ...presets.map(({ id, title: name }) => ({ value: id, title: name })),
              { value: OTHER, title: 'Not described' },
            ]}
            value={preset}
            onChange={setPreset}
          />
          {all.length <= 12 ? (
            <Choices
              label={copy.onlyTheseStringsNone}
              options={all.map((value) => ({ value, title: names[value]! }))}
              values={positions}
              onChange={setPositions}
            />
          ) : (
            <StringRange instrument={instrument!} onChange={setPositions} />
          )}
        </>
      )}
      <Field label="Name" value={title} onChangeText={setTitle} error={errors.title} hint={copy.asYouWouldLook} />
      <Field label="Packets" inputMode="numeric" value={quantity} onChangeText={setQuantity} error={errors.quantity} />
      <DateField type="date" label="Bought on" value={boughtOn} onChange={setBoughtOn} error={errors.boughtOn} />
    </Sheet>
  );
}

function shortNames(instrument: Instrument): string[] {
  const named = variantOf(instrument).stringNames ?? [];
  return named.length === instrument.stringCount ? [...named] : noteNames(instrument);
}
