import { recordOf, type Family } from './families';

/** What is measured: numbers with dates. Lengths in mm. */
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
  'action-high',
  'bridge-angle',
  'bridge-offset',
  'height-low',
  'height-high',
  'bow-band-tip',
  'bow-band-mid',
  'bow-band-frog',
  'bow-hairs-broken',
  'bow-stick-bend',
  'bow-camber',
  'sharpened-off',
  'arm-length',
] as const;
export type Figure = (typeof FIGURES)[number];

export interface FigureData {
  /** What is measured, and how. */
  title: string;
  how: string;
  unit: 'mm' | 'turns' | '°' | '%' | 'hairs' | 'cents';
  /** Bounds of what can have been measured; outside them it is a slip of the pen. */
  least: number;
  most: number;
  /** Smallest step worth writing down. */
  step: number;
  /** Where to begin when nothing was measured yet. */
  start: number;
  /** Read while looking it over, or of who grows: no set-up sheet asks for it. */
  looked?: true;
  /** It fits who plays, not the instrument: of another player it tells nothing. */
  ofPlayer?: true;
}

/** Each figure. Bounds and starts are from memory: wide enough for any size, narrow enough for slips. */
export const FIGURE_DATA: Readonly<Record<Figure, FigureData>> = {
  'endpin-length': {
    title: 'Endpin length',
    how: 'From the collar to the tip, drawn out as it is played.',
    unit: 'mm',
    least: 0,
    most: 700,
    step: 5,
    start: 300,
    ofPlayer: true,
  },
  'rest-left': {
    title: 'Rest height, left foot',
    how: 'From the back of the instrument to the top of the pad, above the left foot.',
    unit: 'mm',
    least: 5,
    most: 120,
    step: 1,
    start: 30,
    ofPlayer: true,
  },
  'rest-right': {
    title: 'Rest height, right foot',
    how: 'From the back of the instrument to the top of the pad, above the right foot.',
    unit: 'mm',
    least: 5,
    most: 120,
    step: 1,
    start: 24,
    ofPlayer: true,
  },
  'rest-position': {
    title: 'Rest position',
    how: 'From the end button along the lower edge to the foot on the chin-rest side.',
    unit: 'mm',
    least: 0,
    most: 250,
    step: 1,
    start: 70,
    ofPlayer: true,
  },
  'bow-turns': {
    title: 'Turns to your gap',
    how: 'Turns of the screw from slack until the gap is right. Half turns count.',
    unit: 'turns',
    least: 0,
    most: 25,
    step: 0.5,
    start: 7,
    ofPlayer: true,
  },
  'bow-gap': {
    title: 'Bow gap',
    how: 'Between stick and hair at the narrowest point, mid-bow.',
    unit: 'mm',
    least: 1,
    most: 30,
    step: 0.5,
    start: 7,
    ofPlayer: true,
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
  'action-high': {
    title: 'Action, highest string',
    how: 'Over the twelfth fret, from its top to the underside of the highest string.',
    unit: 'mm',
    least: 0.3,
    most: 8,
    step: 0.1,
    start: 1.8,
  },
  'bridge-angle': {
    title: 'Bridge, from the side',
    how: 'Between the top and the face towards the tailpiece: 90 is square, more leans to the fingerboard.',
    unit: '°',
    least: 60,
    most: 120,
    step: 0.5,
    start: 90,
    looked: true,
  },
  'bridge-offset': {
    title: 'Bridge off its place',
    how: 'From the line between the inner notches of the f-holes to the middle of the feet.',
    unit: 'mm',
    least: 0,
    most: 30,
    step: 0.5,
    start: 0,
    looked: true,
  },
  'height-low': {
    title: 'String height, lowest string',
    how: 'Over the end of the fingerboard, from the board to the underside of the string.',
    unit: 'mm',
    least: 1,
    most: 20,
    step: 0.5,
    start: 6,
    looked: true,
  },
  'height-high': {
    title: 'String height, highest string',
    how: 'Over the end of the fingerboard, from the board to the underside of the string.',
    unit: 'mm',
    least: 1,
    most: 20,
    step: 0.5,
    start: 4,
    looked: true,
  },
  'bow-band-tip': {
    title: 'Hair band at the tip',
    how: 'Width of the hair against the width of the ferrule.',
    unit: '%',
    least: 0,
    most: 110,
    step: 5,
    start: 95,
    looked: true,
  },
  'bow-band-mid': {
    title: 'Hair band in the middle',
    how: 'Width of the hair against the width of the ferrule.',
    unit: '%',
    least: 0,
    most: 110,
    step: 5,
    start: 95,
    looked: true,
  },
  'bow-band-frog': {
    title: 'Hair band at the frog',
    how: 'Width of the hair against the width of the ferrule.',
    unit: '%',
    least: 0,
    most: 110,
    step: 5,
    start: 95,
    looked: true,
  },
  'bow-hairs-broken': {
    title: 'Hairs broken',
    how: 'Those broken or cut since the last look.',
    unit: 'hairs',
    least: 0,
    most: 200,
    step: 1,
    start: 0,
    looked: true,
  },
  'bow-stick-bend': {
    title: 'Stick, side bend',
    how: 'Sighted from the frog: how far the stick swings to a side at most.',
    unit: 'mm',
    least: 0,
    most: 40,
    step: 0.5,
    start: 0,
    looked: true,
  },
  'bow-camber': {
    title: 'Camber at rest',
    how: 'Slack: how far the stick curves in, against a line from head to frog.',
    unit: 'mm',
    least: 0,
    most: 60,
    step: 0.5,
    start: 16,
    looked: true,
  },
  'sharpened-off': {
    title: 'Off when sharpened',
    how: 'The string that is farthest from its semitone when its lever or disc is on.',
    unit: 'cents',
    least: 0,
    most: 100,
    step: 1,
    start: 0,
    looked: true,
  },
  'arm-length': {
    title: 'Arm',
    how: 'Held out to the side, palm up: from the neck to the middle of the palm.',
    unit: 'mm',
    least: 250,
    most: 900,
    step: 5,
    start: 500,
    looked: true,
    ofPlayer: true,
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
    if (FIGURE_DATA[figure].looked) return false;
    return isMeasured(figure, family);
  });
}

/** Whether a figure is one of this family's. */
export function isMeasured(figure: Figure, family: Family): boolean {
  return recordOf(family).figures.includes(figure);
}
