import { FIGURE_DATA, type Figure } from '@tembrin/core/instruments';

const SHORT: Readonly<Partial<Record<Figure, string>>> = {
  'bow-band-tip': 'At the tip, %',
  'bow-band-mid': 'Middle, %',
  'bow-band-frog': 'At the frog, %',
};

/** What features/look/LookRound.tsx says. */
export const copy = {
  documentTitle: 'Looking it over · Tembrin',
  progress: 'Look-over',
  lookOf: (name: string, at: number, of: number) => `${name}. Look ${at} of ${of}`,
  lastTime: (words: string, when: string) => `Last time ${words}, ${when}.`,
  good: 'Good',
  watch: 'Watch it',
  act: 'Act',
  byFigure: (words: string) => `By the figure: ${words}.`,
  sayFigure: 'Say the figures, then answer; or answer by eye.',
  byPhoto: 'Measure it by photo',
  which: 'Which string',
  allStrings: 'All',
  short: (figure: Figure) => SHORT[figure] ?? FIGURE_DATA[figure].title,
  note: 'Note',
  addNote: 'Add a note',
  markSpot: 'Tap the plate to mark the spot',
  spotMarked: 'Spot marked',
  skip: 'Skip',
  undo: (title: string) => `Undo: ${title.toLowerCase()}`,
  stop: 'Stop here',
  later: 'Later',
  tapGood: 'Tap anywhere: good',
  handsBusy: 'Hands-busy view',
  usualView: 'Usual view',
  takeTheLastAnswer: 'Take the last answer back',
  leaveForLater: 'Leave it for later',
  answers: 'What it looks like',
} as const;
