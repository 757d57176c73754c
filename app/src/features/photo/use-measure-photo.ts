import type { Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { copy } from '@/copy/screens/photo/measure';
import { HANDLES, MEASURED, type Measured, type VisionAnswer } from '@/workers/vision-jobs';
import {
  FIGURE_DATA,
  FIGURES,
  isBowed,
  isLookedAt,
  isMeasured,
  LOOK_DATA,
  LOOKS,
  type Figure,
} from '@tembrin/core/instruments';
import type { Point, Quad, TailpieceSide } from '@tembrin/core/vision';
import { checkPhoto, NoPhoto } from './open-photo';
import { useRecord } from './use-record';
import { useVision } from './use-vision';

type Found = Extract<VisionAnswer, { kind: 'found' }>;
type Read = Extract<VisionAnswer, { kind: 'read' }>;

/** Handles as a person has them: the card's corners, where there is one, and what is measured. */
interface Handles {
  corners: Quad | null;
  points: readonly Point[];
}

const idsOf = (letter: 'c' | 'p', all: readonly Point[] | null) => (all ?? []).map((_point, at) => `${letter}${at}`);

/** Handles that a person has to set before anything is read: those that the device could not lay. */
function toBeSet({ open, corners, points }: Found): string[] {
  if (open === 'none') return [];
  return [...(open === 'all' ? idsOf('c', corners) : []), ...idsOf('p', points)];
}

/** Handles with one of them somewhere else. */
function withMoved({ corners, points }: Handles, id: string, to: Point): Handles {
  const at = Number(id.slice(1));
  const swapped = (all: readonly Point[]) => all.map((each, index) => (index === at ? to : each));
  return id.startsWith('c') && corners
    ? { corners: swapped(corners) as unknown as Quad, points }
    : { corners, points: swapped(points) };
}

/** Lengths that are no distance between two points of a picture, or are read in a way of their own. */
const OTHERWISE: readonly Figure[] = ['string-gauge', 'bow-gap', 'bow-camber', 'bow-stick-bend', 'bridge-offset'];

/** Figures that are a length, so that they can be read beside a card. */
function lengthsOf({ family }: Instrument): Figure[] {
  const looked = new Set(LOOKS.flatMap((look) => (isLookedAt(look, family) ? (LOOK_DATA[look].figures ?? []) : [])));
  return FIGURES.filter(
    (figure) =>
      FIGURE_DATA[figure].unit === 'mm' &&
      (isMeasured(figure, family) || looked.has(figure)) &&
      !OTHERWISE.includes(figure),
  );
}
/** Places at which the hair is held against the ferrule. */
const BAND_FIGURES = ['bow-band-tip', 'bow-band-mid', 'bow-band-frog'] as const satisfies readonly Figure[];

/** The figures one may be put on record as. */
function figuresOf(what: Measured, instrument: Instrument): readonly Figure[] {
  switch (what) {
    case 'gap':
      return ['bow-gap'];
    case 'lean':
      return ['bridge-angle'];
    case 'camber':
      return ['bow-camber'];
    case 'band':
      return BAND_FIGURES;
    case 'length':
      return lengthsOf(instrument);
  }
}

/** What is measured, and as which figure it is put on record; the page's address may say both. */
function useChoice(instrument: Instrument) {
  const asked = useLocalSearchParams<{ figure?: string }>();
  const kinds = isBowed(instrument.family) ? MEASURED : (['length'] as const);
  const [what, setWhat] = useState<Measured>(
    kinds.find((each) => figuresOf(each, instrument).includes(asked.figure as Figure)) ?? kinds[0],
  );
  const figures = figuresOf(what, instrument);
  const [chosen, setChosen] = useState<Figure | null>((asked.figure as Figure | undefined) ?? null);
  const figure = figures.find((each) => each === chosen) ?? figures[0] ?? null;
  return { kinds, what, setWhat, figures, figure, setChosen };
}

/** What was found in a picture and read of it, and the handles as they stand. */
function useFound() {
  const [handles, setHandles] = useState<Handles | null>(null);
  const [found, setFound] = useState<Found | null>(null);
  const [read, setRead] = useState<Read | null>(null);
  /** Handles still to be set by hand. */
  const [open, setOpen] = useState<readonly string[]>([]);
  return {
    handles,
    found,
    read,
    wanting: open.length,
    setRead,
    forget: () => {
      setRead(null);
      setFound(null);
      setHandles(null);
    },
    /** @returns whether it can be read: handles that merely stand somewhere give no number, until they were set */
    lay: (answer: Found) => {
      const wanting = toBeSet(answer);
      setFound(answer);
      setHandles(answer);
      setOpen(wanting);
      return wanting.length === 0;
    },
    /** @returns the handles, where they can be read */
    moved: (id: string, to: Point) => {
      if (!handles) return null;
      const next = withMoved(handles, id, to);
      const wanting = open.filter((each) => each !== id);
      setHandles(next);
      setOpen(wanting);
      return wanting.length === 0 ? next : null;
    },
  };
}

/** Measuring by a photograph: found by the device, corrected by hand, read as it is moved. */
export function useMeasurePhoto(instrument: Instrument) {
  const lengths = usePreferences((state) => state.lengths);
  const { what, setWhat, ...choice } = useChoice(instrument);
  const [tailpiece, setTailpiece] = useState<TailpieceSide>('right');
  const [file, setFile] = useState<File | null>(null);
  const [picture, setPicture] = useState<{ whole: ImageBitmap; shown: ImageBitmap } | null>(null);
  const [looking, setLooking] = useState(false);
  const { lay, moved, forget, setRead, ...seen } = useFound();
  const [problem, setProblem] = useState<string | null>(null);

  // A picture that is shown no more gives its memory back.
  useEffect(
    () => () => {
      picture?.whole.close();
      picture?.shown.close();
    },
    [picture],
  );

  const failed = (why: string) => {
    setLooking(false);
    setPicture(null);
    setProblem(why);
  };
  const ask = useVision(
    (answer) => {
      if (answer.kind === 'opened') return setPicture({ whole: answer.whole, shown: answer.shown });
      if (answer.kind === 'read') return setRead(answer);
      if (answer.kind !== 'found') return failed(copy.notOpened);
      setLooking(false);
      if (lay(answer)) ask({ kind: 'read', what, tailpiece, corners: answer.corners, points: answer.points });
    },
    () => failed(copy.notLooked),
  );
  const take = async (chosen: File) => {
    setProblem(null);
    setPicture(null);
    forget();
    try {
      await checkPhoto(chosen);
      setFile(chosen);
      setLooking(true);
      ask({ kind: 'open', file: chosen, what, tailpiece });
    } catch (error) {
      failed(error instanceof NoPhoto ? error.message : copy.notOpened);
    }
  };
  const move = (id: string, to: Point) => {
    const next = moved(id, to);
    if (next) ask({ kind: 'read', what, tailpiece, ...next });
  };
  /** Looks at the same picture for something else. */
  const lookFor = (next: Measured, side: TailpieceSide) => {
    setWhat(next);
    setTailpiece(side);
    forget();
    if (!picture) return;
    setLooking(true);
    ask({ kind: 'look', what: next, tailpiece: side });
  };
  const recording = useRecord(instrument, choice.figure, seen.read?.reading?.value ?? null, file);
  return {
    lengths,
    ...choice,
    what,
    choose: (next: Measured) => lookFor(next, tailpiece),
    tailpiece,
    chooseSide: (side: TailpieceSide) => lookFor(what, side),
    needsCard: HANDLES[what].card,
    picture,
    looking,
    ...seen,
    problem,
    take,
    move,
    ...recording,
  };
}

export type MeasurePhotoModel = ReturnType<typeof useMeasurePhoto>;
