import { DAY_MS } from '@tembrin/core/time';
import type { Card } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/state/api';
import { changeCard, removeCard } from '@/state/cards';
import { notifyProblem } from '@/state/notice';
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
import { StringRange } from './StringRange';
import { isOldSpare, OLD_SPARE_YEARS } from '@tembrin/core/strings';
import { Row, Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/strings/spares';
import { useSparesView, type SparesModel } from './use-spares-view';
import { useSpareForm, OTHER, type SpareModel } from './use-spare-form';

/** Spares with what is left of them, oldest first, and the household's own sets. */
export function Spares() {
  const model = useSparesView();
  const { sets, open, setOpen, own, setOwn, sorted } = model;
  return (
    <Screen title="Spares" back="/kit" foot={<Button title={copy.putASpareIn} onPress={() => setOpen('new')} />}>
      {sorted.length === 0 && sets.length === 0 && (
        <Empty title={copy.noSparesOnRecord} text={copy.packetsOfStringsWhole} />
      )}
      <OnHand model={model} />
      <OwnSets model={model} />
      {open !== null && <SpareSheet card={open === 'new' ? null : open} onClose={() => setOpen(null)} />}
      {own && <RenameSheet card={own} onClose={() => setOwn(null)} />}
    </Screen>
  );
}

function OnHand({ model }: { model: SparesModel }) {
  const { sorted, nowMs, setOpen } = model;
  if (!(sorted.length > 0)) return null;
  return (
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
                age === null ? null : `bought ${lastingWords(Math.max(DAY_MS, age))} ago`,
              ]
                .filter(Boolean)
                .join(', ')}
            </Text>
            {broken && (
              <Text kind="small">
                {`Opened: ${listWords(left.strings.map((count, at) => `${count} of string ${facts.positions.length - at}`).filter((_, at) => left.strings[at] !== left.packets))} left.`}
              </Text>
            )}
            {isOldSpare(facts, nowMs) && (
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
  );
}

function OwnSets({ model }: { model: SparesModel }) {
  const { sets, setOwn } = model;
  if (!(sets.length > 0)) return null;
  return (
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

function SpareSheet({ card, onClose }: { card: Card<'spare'> | null; onClose: () => void }) {
  const model = useSpareForm({ card, onClose });
  const { title, setTitle, quantity, setQuantity, boughtOn, setBoughtOn, errors, save } = model;
  return (
    <Sheet
      title={card ? copy.changeASpare : copy.putASpareIn}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}
    >
      <WhatItIs model={model} />
      <Field label="Name" value={title} onChangeText={setTitle} error={errors.title} hint={copy.asYouWouldLook} />
      <Field label="Packets" inputMode="numeric" value={quantity} onChangeText={setQuantity} error={errors.quantity} />
      <DateField type="date" label="Bought on" value={boughtOn} onChange={setBoughtOn} error={errors.boughtOn} />
    </Sheet>
  );
}

function WhatItIs({ model }: { model: SpareModel }) {
  const {
    card,
    instruments,
    forId,
    setForId,
    setPreset,
    setPositions,
    presets,
    preset,
    all,
    names,
    positions,
    instrument,
  } = model;
  if (!!card) return null;
  return (
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
  );
}
