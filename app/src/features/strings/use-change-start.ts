import { DAY_MS } from '@tembrin/core/time';
import type { Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { useHere } from '@/state/here';
import { noteNames } from '@/copy/strings';
import { useSetChoices, useSparesFor } from './sets';
import { changeJob, isOldSpare, settleDays, type ChangeWay } from '@tembrin/core/strings';
import { nextPerformance } from '@tembrin/core/year';
import type { Doer, FitReason } from '@tembrin/core/log';
import type { StringSpec } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/strings/change-start';

export const WHY: readonly FitReason[] = ['worn', 'broke', 'frayed', 'experiment', 'set'];

const NOT_SAID = 'not-said';

const SAME_AS_ON = 'as-on';

/** Where new strings come from: the cupboard, the set as it is, or said later. @param asked what the address names */
function useWhatGoesOn(
  instrument: Instrument,
  which: readonly number[],
  on: readonly { spec: StringSpec | null }[],
  asked: string | undefined,
) {
  const sets = useSetChoices(instrument);
  const spares = useSparesFor(instrument, which[0] ?? -1);
  const single = which.length === 1;
  const [from, setFrom] = useState<string | null>(null);
  const sources = [
    ...(single
      ? spares.map(({ card, left }) => ({ value: card.id, title: `${card.facts.title} (${left} left)` }))
      : sets.map(({ key, title }) => ({ value: key, title }))),
    { value: SAME_AS_ON, title: copy.theSameAsIs },
    { value: NOT_SAID, title: 'Say later' },
  ];
  // What lies in the cupboard, else the same again; what nobody said is not made up.
  const inCupboard = single ? spares[0]?.card.id : sets.find(({ spareId }) => spareId !== null)?.key;
  const described = which.some((at) => on[at]?.spec);
  const usual = inCupboard ?? (described ? SAME_AS_ON : NOT_SAID);
  const wanted = from ?? asked ?? usual;
  const source = sources.some(({ value }) => value === wanted) ? wanted : usual;
  const set = sets.find(({ key }) => key === source);
  const spare = spares.find(({ card }) => card.id === source);
  const specOf = (position: number) =>
    source === SAME_AS_ON
      ? (on[position]?.spec ?? null)
      : single && spare
        ? spare.spec
        : (set?.strings[position] ?? null);
  return {
    single,
    setFrom,
    sources,
    source,
    spareId: single ? (spare?.card.id ?? null) : (set?.spareId ?? null),
    boughtOn: spare?.card.facts.boughtOn ?? null,
    specOf,
  };
}

/** A change being chosen: which strings, from where, by whom, and what it comes to. */
export function useChangeStart(instrument: Instrument) {
  const asked = useLocalSearchParams<{ strings?: string; why?: string; set?: string }>();
  const { timeZone } = useHousehold((state) => state.household)!;
  const { log, on } = useStrings(instrument);
  const { schools } = useHere(instrument);
  const occasions = useCards('occasion').map(({ facts }) => facts);
  const all = Array.from({ length: instrument.stringCount }, (_, at) => at);
  const many = all.length > 12;
  const first = asked.strings && asked.strings !== 'all' ? asked.strings.split(',').map(Number) : many ? [] : all;
  const [which, setWhich] = useState<number[]>(first.filter((at) => all.includes(at)));
  const [why, setWhy] = useState<FitReason>(WHY.find((each) => each === asked.why) ?? 'worn');
  const [by, setBy] = useState<Doer>(instrument.setUp.player === 'child' ? 'teacher' : 'self');
  const [way, setWay] = useState<ChangeWay>(schools.changing);
  const { single, setFrom, sources, source, spareId, boughtOn, specOf } = useWhatGoesOn(
    instrument,
    which,
    on,
    asked.set,
  );
  const names = noteNames(instrument);
  const positions = [...which].sort((a, b) => a - b);
  const job = changeJob(instrument, way, positions.length > 0 ? positions : [0], specOf);
  const performance = nextPerformance(occasions, instrument.id, log.nowMs, timeZone);
  const settles = settleDays(positions.map((at) => specOf(at) ?? on[at]?.spec ?? null));
  const settleMs = settles * DAY_MS;
  const tooClose = performance !== null && performance.inDays < settles;
  const old = isOldSpare({ boughtOn }, log.nowMs);

  const begin = async () => {
    await act(
      instrument.id,
      [
        {
          type: 'change-began',
          payload: {
            strings: positions,
            reason: why,
            way: job.way,
            by,
            specs: positions.map(specOf),
            ...(spareId && { spares: positions.map(() => spareId) }),
          },
        },
      ],
      null,
    );
  };
  return {
    timeZone,
    log,
    all,
    many,
    which,
    setWhich,
    why,
    setWhy,
    by,
    setBy,
    way,
    setWay,
    single,
    setFrom,
    sources,
    source,
    names,
    positions,
    job,
    performance,
    settleMs,
    tooClose,
    old,
    begin,
    instrument,
  };
}

export type ChangeStartModel = ReturnType<typeof useChangeStart>;
