import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { useAssessment } from '@/state/assessments';
import { useWide } from '@/ui/theme';
import { type RosinGuideId } from '@tembrin/core/bow';

/** What the bench offers for the instrument on the stand. */
export function useBench(instrument: Instrument) {
  const { log, reasons } = useAssessment(instrument);
  const [guide, setGuide] = useState<RosinGuideId | null>(null);
  const packed = log.packings.at(-1);
  const change = log.changes.findLast(({ endedAt }) => endedAt === null);
  const under = log.works.findLast(({ ended }) => ended === null);
  const wide = useWide();
  return { log, reasons, guide, setGuide, packed, change, under, wide, instrument };
}

export type BenchModel = ReturnType<typeof useBench>;
