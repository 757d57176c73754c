import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { enter } from '@/state/actions';
import { useAssessment, useComplete } from '@/state/assessments';
import { written } from '@/state/log';
import { useKeys } from '@/ui/keys';
import type { Zone } from '@tembrin/core/instruments';
import type { Seeker } from '@tembrin/core/log';
import { concerns, SYMPTOMS, zoneOfSymptom, type Noticed, type SymptomId } from '@tembrin/core/triage';
import { copy } from '@/copy/screens/wrong/start';
import { unlessGone } from '../unless-gone';

const ALL = Object.keys(SYMPTOMS) as SymptomId[];
const MOST = 5;

/** Something is wrong: what, how it shows, who looks. */
export function useWrongStart(instrument: Instrument) {
  const { log, facts } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const [noticed, setNoticed] = useState<Noticed>('hearing');
  const [zone, setZone] = useState<Zone | null>(null);
  const [chosen, setChosen] = useState<SymptomId[]>([]);
  const [by, setBy] = useState<Seeker>(instrument.setUp.player === 'child' ? 'child' : 'player');
  const own = ALL.filter((id) => concerns(SYMPTOMS[id], facts));
  const zoneOf = (id: SymptomId) => zoneOfSymptom(id, facts.family);
  const shown = own.filter((id) => (zone === null ? SYMPTOMS[id].noticed === noticed : zoneOf(id) === zone));
  const toggle = (id: SymptomId) =>
    setChosen((before) =>
      before.includes(id) ? before.filter((each) => each !== id) : before.length < MOST ? [...before, id] : before,
    );
  const begin = async () => {
    if (chosen.length === 0) return;
    const event = written(instrument.id, { type: 'trouble-noticed', payload: { symptoms: chosen, by } });
    const params = { trouble: event.id };
    const goOn = unlessGone(() => router.push({ pathname: '/bench/wrong/[trouble]', params }));
    if ((await enter([event], null)).length > 0) goOn();
  };
  useKeys(complete && chosen.length > 0 ? { enter: { label: copy.begin, run: () => void begin() } } : {});
  return {
    complete,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    noticed,
    setNoticed: (next: Noticed) => {
      setZone(null);
      setNoticed(next);
    },
    /** Ways in which something can show on this instrument. */
    ways: [...new Set(own.map((id) => SYMPTOMS[id].noticed))],
    zone,
    setZone,
    /** Places at which something can show. */
    zones: [...new Set(own.map(zoneOf))].filter((each) => each !== 'whole'),
    lit: zone ?? (chosen.length > 0 ? zoneOf(chosen.at(-1)!) : undefined),
    shown,
    chosen,
    toggle,
    full: chosen.length >= MOST,
    by,
    setBy,
    begin,
    open: log.troubles.filter(({ settled }) => settled === null).reverse(),
    over: log.troubles
      .filter(({ settled }) => settled !== null)
      .reverse()
      .slice(0, 8),
  };
}

export type WrongStartModel = ReturnType<typeof useWrongStart>;
