import { recordOf, type Family } from './families';

/** What the set-up sheet records: numbers with dates. Lengths in mm. */
export const FIGURES = [
  'endpin-length',
  'rest-left',
  'rest-right',
  'rest-position',
  'bow-turns',
  'bow-gap',
  'string-gauge',
  'action',
  'relief',
] as const;
export type Figure = (typeof FIGURES)[number];

export interface FigureData {
  /** What is measured, and how. */
  title: string;
  how: string;
  unit: 'mm' | 'turns';
  /** Bounds of what can have been measured; outside them it is a slip of the pen. */
  least: number;
  most: number;
  /** Smallest step worth writing down. */
  step: number;
  /** Where to begin when nothing was measured yet. */
  start: number;
}

/** Each figure of the set-up sheet. Bounds and starts are from memory: wide enough for any size, narrow enough for slips. */
export const FIGURE_DATA: Readonly<Record<Figure, FigureData>> = {
  'endpin-length': {
    title: 'Endpin length',
    how: 'From the collar to the tip, drawn out as it is played.',
    unit: 'mm',
    least: 0,
    most: 700,
    step: 5,
    start: 300,
  },
  'rest-left': {
    title: 'Rest height, left foot',
    how: 'From the back of the instrument to the top of the pad, above the left foot.',
    unit: 'mm',
    least: 5,
    most: 120,
    step: 1,
    start: 30,
  },
  'rest-right': {
    title: 'Rest height, right foot',
    how: 'From the back of the instrument to the top of the pad, above the right foot.',
    unit: 'mm',
    least: 5,
    most: 120,
    step: 1,
    start: 24,
  },
  'rest-position': {
    title: 'Rest position',
    how: 'From the end button along the lower edge to the foot on the chin-rest side.',
    unit: 'mm',
    least: 0,
    most: 250,
    step: 1,
    start: 70,
  },
  'bow-turns': {
    title: 'Turns to your gap',
    how: 'Turns of the screw from slack until the gap is right. Half turns count.',
    unit: 'turns',
    least: 0,
    most: 25,
    step: 0.5,
    start: 7,
  },
  'bow-gap': {
    title: 'Bow gap',
    how: 'Between stick and hair at the narrowest point, mid-bow.',
    unit: 'mm',
    least: 1,
    most: 30,
    step: 0.5,
    start: 7,
  },
  'string-gauge': {
    title: 'Gauge of the thinnest string',
    how: 'As printed on the packet.',
    unit: 'mm',
    least: 0.15,
    most: 1.5,
    step: 0.01,
    start: 0.3,
  },
  action: {
    title: 'Action',
    how: 'Over the twelfth fret, from its top to the underside of the lowest string.',
    unit: 'mm',
    least: 0.3,
    most: 8,
    step: 0.1,
    start: 2.2,
  },
  relief: {
    title: 'Neck relief',
    how: 'Lowest string held down at the first and the last fret: the gap between string and fret halfway.',
    unit: 'mm',
    least: 0,
    most: 3,
    step: 0.05,
    start: 0.2,
  },
};

/** Figures this instrument's set-up sheet has. */
export function figuresOf({
  family,
  setUp,
}: {
  family: Family;
  setUp: { shoulderRest: string; endpin: boolean };
}): Figure[] {
  return FIGURES.filter((figure) => {
    if (figure.startsWith('rest-') && setUp.shoulderRest === 'none') return false;
    if (figure === 'endpin-length' && !setUp.endpin) return false;
    return isMeasured(figure, family);
  });
}

/** Whether a figure is one of this family's. */
export function isMeasured(figure: Figure, family: Family): boolean {
  return recordOf(family).figures.includes(figure);
}
