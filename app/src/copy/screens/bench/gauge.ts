import { movedWords, type LengthUnit } from '@/copy/measures';
import { upTo } from '@/copy/numbers';

/** What features/gauge/Gauge.tsx says. */
export const copy = {
  title: 'Gauge at true size',
  calibrate: 'Match a card once',
  whyCalibrate: 'Then this screen shows millimetres as they are. It is kept for this device.',
  ratioChanged: 'The zoom or the screen has changed since the card was matched. Match it again.',
  howTo: [
    'Hold a bank card upright against the screen, its left edge on the left line.',
    'Make the outline wider or narrower until the right line runs along its right edge.',
  ],
  card: 'Outline of a bank card',
  width: 'Width of the outline',
  larger: 'Wider',
  smaller: 'Narrower',
  muchLarger: 'Much wider',
  muchSmaller: 'Much narrower',
  matches: 'It matches',
  noScreen: 'No screen has so few or so many pixels. Match the outline to the card’s edges.',
  matched: 'The card is matched. It is kept on this device.',
  notKept: 'This browser keeps nothing for the page: it is asked for again next time.',
  again: 'Match the card again',
  what: 'What to hold against it',
  shows: { gap: 'Bow gap', ruler: 'Ruler', square: 'Right angle', steps: 'Steps' },
  gapHow:
    'Hold the bow before the screen, the hair along the lower edge of the bar: at its narrowest the stick just touches the upper edge.',
  gapOwn: (gap: string) => `Your own gap: ${gap}.`,
  gapUsual: (gap: string, range: string) => `The usual gap: ${gap} (${range}).`,
  rulerHow: 'Hold what you measure along the left edge. Its marks are millimetres.',
  squareHow:
    'Stand the instrument before the screen, its top along the lower line: the bridge’s face to the tailpiece stands on the upright. The thin lines are 1.5 and 4 degrees off.',
  stepsHow: 'Hold the gap before the bars: the bar that just fills it is its height.',
  within: (mm: number, each: number, lengths: LengthUnit) =>
    `Good to ${movedWords(mm, lengths)} here; one pixel is ${movedWords(each, lengths)}.`,
  step: (mm: number, lengths: LengthUnit) => (lengths === 'mm' ? `${upTo(mm, 1)} mm` : movedWords(mm, lengths)),
  tooFine: 'Bars thinner than two pixels are left out.',
} as const;
