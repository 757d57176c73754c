import { presetsFor } from '@tembrin/core/sets';
import type { Card, Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { noteNames } from '@/copy/strings';
import { openStrings, spareSchema, type Spare } from '@tembrin/core/strings';
import { variantOf } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/strings/spares';

export const OTHER = 'other';

function shortNames(instrument: Instrument): string[] {
  const named = variantOf(instrument).stringNames ?? [];
  return named.length === instrument.stringCount ? [...named] : noteNames(instrument);
}

/** A spare as typed, and keeping it. */
export function useSpareForm({ card, onClose }: { card: Card<'spare'> | null; onClose: () => void }) {
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
  return {
    instruments,
    forId,
    setForId,
    instrument,
    preset,
    setPreset,
    positions,
    setPositions,
    title,
    setTitle,
    quantity,
    setQuantity,
    boughtOn,
    setBoughtOn,
    errors,
    presets,
    all,
    save,
    names,
    card,
  };
}

export type SpareModel = ReturnType<typeof useSpareForm>;
