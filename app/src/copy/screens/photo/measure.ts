import { fixed } from '@/copy/numbers';
import { measureNumber, type LengthUnit } from '@/copy/measures';
import type { Figure } from '@tembrin/core/instruments';
import type { BowFault, CardFault, HeaderFault, PhotoReading } from '@tembrin/core/vision';

const HEADER: Readonly<Record<HeaderFault, string>> = {
  heic: 'This browser does not open HEIC pictures. Have the camera save JPEG, or share the picture as JPEG.',
  svg: 'That is a drawing, not a photograph. Choose a picture a camera took.',
  'not-a-picture': 'That is no picture. Choose a JPEG, PNG or WebP.',
  'cut-off': 'That picture is cut off: its end is missing. Choose it again, or take another.',
};

const CARD: Readonly<Record<CardFault, string>> = {
  'no-card':
    'No card was found. Lay a bank card flat beside it, all four edges in the picture; or drag the corners onto it.',
  'card-too-small':
    'The card is very small. Go nearer, so that it takes up a third of the picture; or drag the corners onto it.',
  'card-cut-off': 'A corner of the card is outside the picture. Take it again with the whole card in it.',
  'card-bent':
    'The card’s edges are not straight: it is bent, or the lens bends it. Press it flat and take the picture again.',
  'too-dark': 'It is too dark to see edges. Take it again by a window or a lamp.',
  'too-bright': 'It is too bright to see edges. Take it again out of the sun.',
  'too-blurred': 'It is blurred. Hold the phone with both hands, tap the bow to focus, and take it again.',
  'too-small': 'The picture has too few pixels. Choose the original, not a preview.',
};

const READ: Readonly<Record<BowFault | 'corners', string>> = {
  'no-bow': 'No bow was found. Drag the two ends onto the hair, on the stretch where the stick comes nearest.',
  'bow-unclear':
    'Hair and stick are not clear against what is behind. Drag the two ends onto the hair, or take it before a plain wall.',
  corners: 'The corners cross, or lie in a row. Put one on each corner of the card, in turn.',
};

/** What features/photo/MeasurePhoto.tsx says. */
export const copy = {
  title: 'Measure by photo',
  what: 'What to measure',
  kinds: { gap: 'Bow gap', length: 'A length' },
  howGap: [
    'Tighten the bow to play. Lay it on its side on a plain ground, a bank card flat beside it.',
    'Hold the phone above, about square, so that card and the middle of the bow fill the picture.',
  ],
  howLength: [
    'Hold or lay a bank card in the plane of what you measure, as near to it as you can.',
    'Hold the phone about square, so that both fill the picture.',
  ],
  stays: 'The picture stays on this device, unless you have it kept.',
  keepToo: 'Keep the picture with it',
  take: 'Take or choose a picture',
  another: 'Another picture',
  looking: 'Looking for card and bow …',
  picture: 'The picture, with handles on it',
  corner: (at: number) => `Corner ${at + 1} of the card`,
  end: { gap: (at: number) => `End ${at + 1} of the hair`, length: (at: number) => `End ${at + 1} of the length` },
  arrows: 'Drag a handle, or choose it and use the arrow keys: a pixel each, ten with Shift.',
  off: (figure: Figure, { sd }: PhotoReading, lengths: LengthUnit) => `± ${measureNumber(figure, 2 * sd, lengths)}`,
  within: (percent: number) =>
    `Nineteen times in twenty within that. Something 5 mm nearer than the card reads ${fixed(percent, 1)} % larger.`,
  setHandles: (wanting: number) =>
    wanting === 1 ? 'Set the other end, then it is read.' : 'Drag both ends to what you measure, then it is read.',
  which: 'Which figure',
  record: (words: string) => `Put ${words} on record`,
  recorded: (title: string, words: string) => `${title}: ${words}.`,
  outOfRange: 'That cannot be this figure. Check the corners and both ends.',
  tooManyBytes: 'That file is larger than 40 MB. Choose a smaller picture.',
  tooManyPixels: 'That picture has more pixels than can be opened here. Choose a smaller one.',
  notOpened: 'This browser could not open that picture: it may be cut off. Choose it again, or take another.',
  notLooked: 'This browser could not look at the picture. Try a newer one, or measure with a ruler.',
  headerFaults: HEADER,
  cardFaults: CARD,
  readFaults: READ,
} as const;
