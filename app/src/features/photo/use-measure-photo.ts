import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { act } from '@/state/actions';
import { inHand } from '@/state/bows';
import { useAssessment } from '@/state/assessments';
import { loadPhotos } from '@/state/load-seldom';
import type { Draft } from '@/state/log';
import { usePreferences } from '@/state/preferences';
import { measureWords } from '@/copy/measures';
import { copy } from '@/copy/screens/photo/measure';
import type { Measured, VisionAnswer, VisionJob } from '@/workers/vision-jobs';
import { FIGURE_DATA, FIGURES, isBowed, isMeasured, LOOK_DATA, LOOKS, type Figure } from '@tembrin/core/instruments';
import type { Point, Quad } from '@tembrin/core/vision';
import { unlessGone } from '../unless-gone';
import { NoPhoto, openPhoto } from './open-photo';
import { bytesOf } from './take-photo';

type Found = Extract<VisionAnswer, { kind: 'found' }>;
type Read = Extract<VisionAnswer, { kind: 'read' }>;

/** Handles as a person has them: the card's corners, and the two ends. */
interface Handles {
  corners: Quad;
  ends: readonly [Point, Point];
}

const CORNER_IDS = ['c0', 'c1', 'c2', 'c3'];
const END_IDS = ['e0', 'e1'];

/** Handles that a person has to set before anything is read: those that the device could not lay. */
function toBeSet(what: Measured, { cardFault, fault }: Found): string[] {
  const ends = what === 'length' || fault !== null || cardFault !== null;
  return [...(cardFault === null ? [] : CORNER_IDS), ...(ends ? END_IDS : [])];
}

/** Handles with one of them somewhere else. */
function withMoved({ corners, ends }: Handles, id: string, to: Point): Handles {
  const at = Number(id.slice(1));
  const swapped = (all: readonly Point[]) => all.map((each, index) => (index === at ? to : each));
  return id.startsWith('c')
    ? { corners: swapped(corners) as unknown as Quad, ends }
    : { corners, ends: swapped(ends) as unknown as Handles['ends'] };
}

/** The worker that looks at pictures, while this page is open. It is asked one thing at a time: of what waits, the newest. */
function useVision(onAnswer: (answer: VisionAnswer) => void, onFailure: () => void) {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<VisionJob | null>(null);
  const tell = useRef(onAnswer);
  useEffect(() => {
    tell.current = onAnswer;
  });
  useEffect(() => () => worker.current?.terminate(), []);
  const ask = (asked: VisionJob) => {
    if (busy.current) {
      waiting.current = asked;
      return;
    }
    busy.current = true;
    if (!worker.current) {
      worker.current = new Worker('/vision.js');
      worker.current.onerror = () => {
        worker.current?.terminate();
        worker.current = null;
        busy.current = false;
        waiting.current = null;
        onFailure();
      };
      worker.current.onmessage = ({ data }: MessageEvent<VisionAnswer>) => {
        busy.current = false;
        const next = waiting.current;
        waiting.current = null;
        // What was asked before something newer is no longer wanted.
        if (next) ask(next);
        else tell.current(data);
      };
    }
    worker.current.postMessage(asked);
  };
  return ask;
}

/** Figures that are lengths, so that they can be read beside a card. */
const lengthsOf = (instrument: Instrument) =>
  FIGURES.filter(
    (figure) =>
      FIGURE_DATA[figure].unit === 'mm' &&
      isMeasured(figure, instrument.family) &&
      figure !== 'string-gauge' &&
      figure !== 'bow-gap',
  );

/** What is looked at by a figure; null where it is no look's. */
const lookOf = (figure: Figure) => LOOKS.find((look) => LOOK_DATA[look].figures?.includes(figure)) ?? null;

/** Keeps the picture that was measured by. @returns the entry that names it; null where it could not be kept, which is told */
async function keepPicture(instrument: Instrument, figure: Figure, picture: ImageBitmap): Promise<Draft | null> {
  const photo = await (await loadPhotos()).keepPhoto(instrument.id, await bytesOf(picture));
  const look = lookOf(figure);
  const zone = look && LOOK_DATA[look].zone;
  return photo === null ? null : { type: 'photographed', payload: { photo, look, zone, findingId: null } };
}

/** Putting a reading on record as a figure of the instrument, where it can be that; with its picture, if that is wanted. */
function useRecord(instrument: Instrument, figure: Figure | null, value: number | null, picture: ImageBitmap | null) {
  const [keeps, setKeeps] = useState(false);
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
    const kept = keeps && picture ? await keepPicture(instrument, figure, picture) : null;
    if (keeps && !kept) return;
    const drafts: Draft[] = [{ type: 'measured', payload }, ...(kept ? [kept] : [])];
    const done = await act(instrument.id, drafts, copy.recorded(data.title, words));
    if (kept) void loadPhotos().then(({ sendPhotos }) => sendPhotos().catch(() => undefined));
    if (done.length > 0) goBack();
  };
  return { fits, record, keeps, setKeeps };
}

/** What is measured, and as which figure it is put on record. */
function useChoice(instrument: Instrument) {
  const bowed = isBowed(instrument.family);
  const figures = lengthsOf(instrument);
  const [what, setWhat] = useState<Measured>(bowed ? 'gap' : 'length');
  const [chosen, setChosen] = useState<Figure | null>(figures[0] ?? null);
  return { bowed, what, setWhat, figures, figure: what === 'gap' ? ('bow-gap' as const) : chosen, setChosen };
}

/** Measuring by a photograph beside a card: found by the device, corrected by hand, read as it is moved. */
export function useMeasurePhoto(instrument: Instrument) {
  const lengths = usePreferences((state) => state.lengths);
  const { what, setWhat, ...choice } = useChoice(instrument);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [looking, setLooking] = useState(false);
  const [handles, setHandles] = useState<Handles | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [read, setRead] = useState<Read | null>(null);
  /** Handles still to be set by hand. */
  const [open, setOpen] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);

  // A picture that is shown no more gives its memory back.
  useEffect(() => () => picture?.close(), [picture]);

  const failed = () => {
    setLooking(false);
    setPicture(null);
    setProblem(copy.notLooked);
  };
  const ask = useVision((answer) => {
    if (answer.kind === 'read') return setRead(answer);
    setLooking(false);
    setFound(answer);
    setHandles({ corners: answer.corners, ends: answer.ends });
    // Handles that merely stand somewhere give no number, until they were set.
    const wanting = toBeSet(what, answer);
    setOpen(wanting);
    if (wanting.length === 0) ask({ kind: 'read', what, corners: answer.corners, ends: answer.ends });
  }, failed);
  const take = async (file: File) => {
    setProblem(null);
    setRead(null);
    setFound(null);
    setHandles(null);
    try {
      const bitmap = await openPhoto(file);
      setPicture(bitmap);
      setLooking(true);
      ask({ kind: 'open', bitmap, what });
    } catch (error) {
      setPicture(null);
      setProblem(error instanceof NoPhoto ? error.message : copy.notOpened);
    }
  };
  const move = (id: string, to: Point) => {
    if (!handles) return;
    const next = withMoved(handles, id, to);
    setHandles(next);
    const wanting = open.filter((each) => each !== id);
    setOpen(wanting);
    if (wanting.length === 0) ask({ kind: 'read', what, ...next });
  };
  const choose = (measured: Measured) => {
    setWhat(measured);
    setRead(null);
    setFound(null);
    setHandles(null);
    if (picture) ask({ kind: 'open', bitmap: picture, what: measured });
  };
  const recording = useRecord(instrument, choice.figure, read?.reading?.value ?? null, picture);
  return {
    lengths,
    ...choice,
    what,
    choose,
    picture,
    looking,
    handles,
    found,
    read,
    problem,
    wanting: open.length,
    take,
    move,
    ...recording,
  };
}

export type MeasurePhotoModel = ReturnType<typeof useMeasurePhoto>;
