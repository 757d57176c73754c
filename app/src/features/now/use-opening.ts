import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { useComplete } from '@/state/assessments';
import { useHere } from '@/state/here';
import { act } from '@/state/actions';
import { useKeys } from '@/ui/keys';
import { useWide } from '@/ui/theme';
import { type RosinGuideId } from '@tembrin/core/bow';
import { isBowed, type Figure } from '@tembrin/core/instruments';
import { openingRound } from '@tembrin/core/routines';

/** The opening round of this evening: what stands out, and what is as usual. */
export function useOpening(instrument: Instrument) {
  const assessment = useHere(instrument);
  const { log } = assessment;
  const complete = useComplete(instrument.id);
  const wide = useWide();

  const [measuring, setMeasuring] = useState<Figure | null>(null);
  const [guide, setGuide] = useState<RosinGuideId | null>(null);
  const steps = openingRound(assessment);
  const standing = steps.filter(({ because }) => because !== null);
  const usual = steps.filter(({ because }) => because === null);
  const start = () => {
    void act(instrument.id, [{ type: 'session-began', payload: {} }], null);
    router.replace('/now');
  };
  useKeys(complete ? { s: { label: 'Start playing', run: start } } : {});
  const bowed = isBowed(instrument.family);
  const lit = standing[0]?.data.zone;
  const learning = standing.find(({ because }) => because?.code === 'learning')?.because;
  return {
    log,
    complete,
    wide,
    measuring,
    setMeasuring,
    guide,
    setGuide,
    steps,
    standing,
    usual,
    start,
    bowed,
    lit,
    learning,
    instrument,
  };
}

export type OpeningModel = ReturnType<typeof useOpening>;
