import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { act } from '@/state/actions';
import { inHand } from '@/state/bows';
import { useAssessment } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { measureWords } from '@/copy/measures';
import { copy } from '@/copy/screens/photo/measure';
import type { Measured, VisionAnswer, VisionJob } from '@/workers/vision-jobs';
import { FIGURE_DATA, FIGURES, isBowed, isMeasured, type Figure } from '@tembrin/core/instruments';
import type { Point, Quad } from '@tembrin/core/vision';
import { unlessGone } from '../unless-gone';
import { NoPhoto, openPhoto } from './open-photo';

type Found = Extract<VisionAnswer, { kind: 'found' }>;
type Read = Extract<VisionAnswer, { kind: 'read' }>;
type Asked = VisionJob extends infer J ? (J extends VisionJob ? Omit<J, 'job'> : never) : never;

/** Handles as a person has them: the card's corners, and the two ends. */
interface Handles {
  corners: Quad;
  ends: readonly [Point, Point];
}

/** The worker that looks at pictures, while this page is open. */
function useVision(onAnswer: (answer: VisionAnswer) => void) {
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);
  const tell = useRef(onAnswer);
  useEffect(() => {
    tell.current = onAnswer;
  });
  useEffect(() => () => worker.current?.terminate(), []);
  return (asked: Asked) => {
    if (!worker.current) {
      worker.current = new Worker('/vision.js');
      worker.current.onmessage = ({ data }: MessageEvent<VisionAnswer & { job: number }>) => {
        // What was asked before something newer is no longer wanted.
        if (data.job === count.current) tell.current(data);
      };
    }
    worker.current.postMessage({ ...asked, job: ++count.current });
  };
}

/** Figures that are lengths, so that they can be read beside a card. */
const lengthsOf = (instrument: Instrument) =>
  FIGURES.filter(
    (figure) => FIGURE_DATA[figure].unit === 'mm' && isMeasured(figure, instrument.family) && figure !== 'string-gauge',
  );

/** Putting a reading on record as a figure of the instrument, where it can be that. */
function useRecord(instrument: Instrument, figure: Figure | null, value: number | null) {
  const { bows } = useAssessment(instrument);
  const lengths = usePreferences((state) => state.lengths);
  const data = figure && FIGURE_DATA[figure];
  const fits = value !== null && data !== null && value >= data.least && value <= data.most;
  const record = async () => {
    if (!figure || !data || value === null || !fits) return;
    const goBack = unlessGone(() => router.replace('/bench'));
    const rounded = Number(value.toFixed(2));
    const payload = { figure, value: rounded, ...(figure.startsWith('bow-') && inHand(instrument, bows)) };
    const words = measureWords(figure, rounded, lengths);
    const done = await act(instrument.id, [{ type: 'measured', payload }], copy.recorded(data.title, words));
    if (done.length > 0) goBack();
  };
  return { fits, record };
}

/** Measuring by a photograph beside a card: found by the device, corrected by hand, read as it is moved. */
export function useMeasurePhoto(instrument: Instrument) {
  const lengths = usePreferences((state) => state.lengths);
  const figures = lengthsOf(instrument);
  const [what, setWhat] = useState<Measured>(isBowed(instrument.family) ? 'gap' : 'length');
  const [chosen, setChosen] = useState<Figure | null>(figures[0] ?? null);
  const figure: Figure | null = what === 'gap' ? 'bow-gap' : chosen;
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [looking, setLooking] = useState(false);
  const [handles, setHandles] = useState<Handles | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  // A picture that is shown no more gives its memory back.
  useEffect(() => () => picture?.close(), [picture]);

  const ask = useVision((answer) => {
    if (answer.kind === 'read') return setRead(answer);
    setLooking(false);
    setFound(answer);
    setHandles({ corners: answer.corners, ends: answer.ends });
    // Where the card was not found no number is given, before the corners were set.
    if (answer.cardFault === null && answer.fault === null)
      ask({ kind: 'read', what, corners: answer.corners, ends: answer.ends });
  });
  const open = async (file: File, measured = what) => {
    setProblem(null);
    setRead(null);
    setFound(null);
    setHandles(null);
    try {
      const bitmap = await openPhoto(file);
      setPicture(bitmap);
      setLooking(true);
      ask({ kind: 'open', bitmap, what: measured });
    } catch (error) {
      setPicture(null);
      setProblem(error instanceof NoPhoto ? error.message : copy.notOpened);
    }
  };
  const move = (id: string, to: Point) => {
    if (!handles) return;
    const at = Number(id.slice(1));
    const next: Handles = id.startsWith('c')
      ? { ...handles, corners: handles.corners.map((each, index) => (index === at ? to : each)) as unknown as Quad }
      : { ...handles, ends: [at === 0 ? to : handles.ends[0], at === 1 ? to : handles.ends[1]] };
    setHandles(next);
    ask({ kind: 'read', what, ...next });
  };
  const choose = (measured: Measured) => {
    setWhat(measured);
    setRead(null);
    if (picture) ask({ kind: 'open', bitmap: picture, what: measured });
  };
  const { fits, record } = useRecord(instrument, figure, read?.reading?.value ?? null);
  return {
    lengths,
    bowed: isBowed(instrument.family),
    what,
    choose,
    figures,
    figure,
    setChosen,
    picture,
    looking,
    handles,
    found,
    read,
    problem,
    open,
    move,
    fits,
    record,
  };
}

export type MeasurePhotoModel = ReturnType<typeof useMeasurePhoto>;
