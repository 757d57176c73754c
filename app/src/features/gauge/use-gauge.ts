import type { Instrument } from '@tembrin/contract';
import { useEffect, useState } from 'react';
import { PixelRatio, useWindowDimensions } from 'react-native';
import * as z from 'zod';
import { useHere } from '@/state/here';
import { kept } from '@/state/kept';
import { notify, notifyProblem } from '@/state/notice';
import { bowLogOf } from '@tembrin/core/assess';
import { bowGap } from '@tembrin/core/bow';
import { isBowed, recordOf } from '@tembrin/core/instruments';
import { lastMeasure } from '@tembrin/core/log';
import { CARD_MM, screenScale, type ScreenScale } from '@tembrin/core/vision';
import { copy } from '@/copy/screens/bench/gauge';

const keptScale = kept('tembrin-gauge', async () => z.strictObject({ pxPerMm: z.number(), ratio: z.number() }));

/** Pixels to a millimetre to begin at: of a phone, and of a desk. From memory. */
const PHONE_PX = 6.3;
const DESK_PX = 3.78;
const PHONE_WIDTH = 900;

export type Shown = keyof typeof copy.shows;

/** The scale of this screen, matched against a card once and kept; and what is shown at true size. */
export function useGauge(instrument: Instrument) {
  const { width, height } = useWindowDimensions();
  const ratio = PixelRatio.get();
  const [scale, setScale] = useState<ScreenScale | null>(() => keptScale.read());
  useEffect(() => {
    // Matched under another build of the app: it holds all the same.
    if (keptScale.read() !== null) return;
    const old = keptScale.readOld().catch(() => null);
    void old.then((matched) => setScale((now) => now ?? matched));
  }, []);
  const [matching, setMatching] = useState(false);
  const usable = scale !== null && scale.ratio === ratio && !matching;
  const first = scale?.pxPerMm ?? (width < PHONE_WIDTH ? PHONE_PX : DESK_PX);
  const [edgePx, setEdgePx] = useState(Math.round(first * CARD_MM.short));
  const [problem, setProblem] = useState<string | null>(null);
  const assessment = useHere(instrument);
  const bowed = isBowed(instrument.family) ? bowGap(instrument.family) : null;
  const own = lastMeasure(bowLogOf(assessment), 'bow-gap')?.value ?? null;
  const { fretted } = recordOf(instrument.family);
  const shows: Shown[] = bowed
    ? ['gap', 'ruler', 'square']
    : fretted
      ? ['steps', 'ruler', 'square']
      : ['ruler', 'square'];
  const [shown, setShown] = useState<Shown>(shows[0]!);
  const nudge = (by: number) => {
    setProblem(null);
    setEdgePx((before) => Math.max(20, before + by));
  };
  const match = () => {
    const matched = screenScale(edgePx, ratio);
    if (!matched) return setProblem(copy.noScreen);
    setScale(matched);
    setMatching(false);
    try {
      keptScale.write(matched);
      notify(copy.matched);
    } catch {
      notifyProblem(copy.notKept);
    }
  };
  return {
    /** null until a card was matched on this screen. */
    scale: usable ? scale : null,
    changed: scale !== null && scale.ratio !== ratio,
    edgePx,
    nudge,
    match,
    problem,
    again: () => setMatching(true),
    shows,
    shown,
    setShown,
    gap: bowed && { own, ...bowed },
    room: { width: Math.min(width, 560) - 48, height: Math.max(220, height - 420) },
  };
}

export type GaugeModel = ReturnType<typeof useGauge>;
