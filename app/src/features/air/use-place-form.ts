import type { Place, PlaceChange } from '@tembrin/contract';
import { placeChangeSchema } from '@tembrin/contract/air';
import { router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { changeAir, useAir } from '@/state/air';
import { Refused, sentenceOf } from '@/state/api';
import { useAllAssessments } from '@/state/assessments';
import { enter } from '@/state/actions';
import { written } from '@/state/log';
import { notify } from '@/state/notice';
import { cubicMetresOf, gramsOf, volumeFigure, waterFigure } from '@/copy/amounts';
import { readNumber } from '@/copy/numbers';
import { livesIn } from './where';
import { copy } from '@/copy/screens/air/place-form';

const NEW: PlaceChange = {
  kind: 'room',
  name: '',
  roomId: null,
  volumeM3: null,
  draught: 'ordinary',
  heating: { from: 10, to: 4 },
  tankG: null,
  dryerG: null,
};

type Numbers = Record<'volumeM3' | 'tankG' | 'dryerG', string>;

/** What was typed of a place, checked: its facts, or a sentence for each field that cannot be read. */
export function checkedPlace(
  facts: PlaceChange,
  numbers: Numbers,
): { facts: PlaceChange } | { errors: Record<string, string> } {
  const room = facts.kind === 'room';
  const wanted: Record<string, unknown> = { ...facts, ...(!room && { heating: null }) };
  const errors: Record<string, string> = {};
  for (const key of ['volumeM3', 'tankG', 'dryerG'] as const) {
    const value = numbers[key].trim() === '' ? null : readNumber(numbers[key]);
    if (value === null && numbers[key].trim() !== '') errors[key] = copy.writeANumberOr;
    wanted[key] =
      !room || value === null ? null : key === 'volumeM3' ? cubicMetresOf(value) : Math.round(gramsOf(value) * 10) / 10;
  }
  const { id: _id, version: _version, ...rest } = wanted as Partial<Place>;
  const checked = placeChangeSchema.safeParse(rest);
  for (const { path, message } of checked.error?.issues ?? []) errors[path.join('.')] ??= message;
  return checked.success && Object.keys(errors).length === 0 ? { facts: checked.data } : { errors };
}

/** A place being described: what was typed, what is wrong with it, and putting it on record. */
export function usePlaceForm({ place }: { place: Place | null }) {
  const places = useAir((state) => state.air)?.places ?? [];
  const all = useAllAssessments();
  const [facts, setFacts] = useState<PlaceChange>(place ?? NEW);
  const [numbers, setNumbers] = useState({
    volumeM3: volumeFigure(facts.volumeM3),
    tankG: waterFigure(facts.tankG),
    dryerG: waterFigure(facts.dryerG),
  });
  const nowhere = all.filter(({ log }) => livesIn(log) === null).map(({ facts: { id } }) => id);
  const [who, setWho] = useState<readonly string[]>(place ? [] : nowhere);
  const [cased, setCased] = useState(true);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const room = facts.kind === 'room';
  const rooms = places.filter((each) => each.kind === 'room' && each.id !== place?.id);
  const change = (more: Partial<PlaceChange>) => {
    setErrors({});
    setFacts((before) => ({ ...before, ...more }));
  };

  const save = async () => {
    const checked = checkedPlace(facts, numbers);
    if ('errors' in checked) return setErrors(checked.errors);
    setBusy(true);
    setProblem(null);
    try {
      const made = place
        ? await changeAir('changePlace', { params: { id: place.id }, version: place.version, body: checked.facts })
        : await changeAir('addPlace', { body: { ...checked.facts, id: uuid() } });
      const moves = who.map((instrumentId) =>
        written(instrumentId, { type: 'moved', payload: { placeId: made.id, cased: !room || cased } }),
      );
      router.replace({ pathname: '/air/[place]', params: { place: made.id } });
      await enter(moves, place ? 'Changed.' : copy.isOnRecord(made.name));
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  const remove = async () => {
    if (!place) return;
    try {
      await changeAir('removePlace', { params: { id: place.id }, version: place.version });
      router.replace('/air');
      const { version: _version, ...same } = place;
      notify(`${place.name} is removed.`, async () => {
        await changeAir('addPlace', { body: same });
      });
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  return {
    all,
    facts,
    numbers,
    setNumbers,
    who,
    setWho,
    cased,
    setCased,
    errors,
    problem,
    busy,
    room,
    rooms,
    change,
    save,
    remove,
    place,
  };
}

export type PlaceFormModel = ReturnType<typeof usePlaceForm>;
