import { BOWED, type Family } from './families';

/** Views that show the state of the whole, in the order in which they are taken: for the insurer, and when it is lent. */
export const VIEWS = [
  'front',
  'back',
  'side-low',
  'side-high',
  'head',
  'label',
  'bow-tip',
  'bow-frog',
  'damage',
] as const;
export type View = (typeof VIEWS)[number];

export interface ViewData {
  title: string;
  /** What is to be in the picture, and how it is taken. */
  how: string;
  /** Those that have it; left out: all. */
  families?: readonly Family[];
  /** Taken where there is something to show. */
  optional?: true;
}

/** Each view [D: what an appraiser asks for, from memory]. */
export const VIEW_DATA: Readonly<Record<View, ViewData>> = {
  front: {
    title: 'Front',
    how: 'The whole of it, from straight before it, in even light from a window. No flash: varnish throws it back.',
  },
  back: { title: 'Back', how: 'The whole of it, from straight behind.' },
  'side-low': { title: 'Side of the low strings', how: 'The ribs from end to end, the camera level with them.' },
  'side-high': { title: 'Side of the high strings', how: 'The ribs from end to end, the camera level with them.' },
  head: { title: 'Scroll or head', how: 'From the side, with the pegs or the machines.' },
  label: {
    title: 'Label and number',
    how: 'The maker’s label, by a lamp through the f-hole or the sound hole; or the number stamped on it.',
    optional: true,
  },
  'bow-tip': { title: 'Bow: tip', how: 'From the side, with the first hand’s breadth of the stick.', families: BOWED },
  'bow-frog': { title: 'Bow: frog', how: 'From the side, with the stamp on the stick above it.', families: BOWED },
  damage: {
    title: 'Damage',
    how: 'Each mark by itself, with a coin or a ruler beside it to tell its size.',
    optional: true,
  },
};

/** Whether a family has a view. */
export function isViewed(view: View, family: Family): boolean {
  return VIEW_DATA[view].families?.includes(family) ?? true;
}

/** Views of a family, in their order. */
export const viewsOf = (family: Family): View[] => VIEWS.filter((view) => isViewed(view, family));
