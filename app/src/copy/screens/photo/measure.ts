import { fixed } from '@/copy/numbers';
import { measureNumber, type LengthUnit } from '@/copy/measures';
import type { Figure } from '@tembrin/core/instruments';
import type { BowFault, CardFault, HeaderFault, LeanFault, PhotoReading, PictureFault } from '@tembrin/core/vision';
import type { Measured } from '@/workers/vision-jobs';

const HEADER: Readonly<Record<HeaderFault, string>> = {
  heic: 'This browser does not open HEIC pictures. Have the camera save JPEG, or share the picture as JPEG.',
  svg: 'That is a drawing, not a photograph. Choose a picture a camera took.',
  'not-a-picture': 'That is no picture. Choose a JPEG, PNG or WebP.',
  'cut-off': 'That picture is cut off: its end is missing. Choose it again, or take another.',
};

const PICTURE: Readonly<Record<PictureFault, string>> = {
  'too-dark': 'It is too dark to see edges. Take it again by a window or a lamp.',
  'too-bright': 'It is too bright to see edges. Take it again out of the sun.',
  'too-blurred': 'It is blurred. Hold the phone with both hands, tap the screen to focus, and take it again.',
  'too-small': 'The picture has too few pixels. Choose the original, not a preview.',
};

const CARD: Readonly<Record<CardFault, string>> = {
  'no-card':
    'No card was found. Lay a bank card flat beside it, all four edges in the picture; or drag the corners onto it.',
  'card-too-small':
    'The card is very small. Go nearer, so that it takes up a third of the picture; or drag the corners onto it.',
  'card-cut-off': 'A corner of the card is outside the picture. Take it again with the whole card in it.',
  'card-bent':
    'The card’s edges are not straight: it is bent, or the lens bends it. Press it flat and take the picture again.',
  ...PICTURE,
};

const HOW: Readonly<Record<Measured, readonly string[]>> = {
  gap: [
    'Tighten the bow to play. Lay it on its side on a plain ground, a bank card flat beside it.',
    'Hold the phone above, about square, so that card and the middle of the bow fill the picture.',
  ],
  lean: [
    'Stand the instrument upright or lay it down, and hold the phone level with the bridge, exactly from the side.',
    'A bank card standing beside the bridge tells how the phone was held; without one, hold it as square as you can.',
  ],
  band: [
    'Lay the bow down with its hair up, tightened to play, a bank card flat beside it.',
    'Hold the phone above, so that the ferrule and the place on the hair are both in the picture.',
  ],
  camber: [
    'Slacken the bow. Lay it on its side on a plain ground, a bank card flat beside its middle.',
    'Hold the phone above, about square, so that the whole stick is in the picture.',
  ],
  length: [
    'Hold or lay a bank card in the plane of what you measure, as near to it as you can.',
    'Hold the phone about square, so that both fill the picture.',
  ],
};

const PLACES: Readonly<Partial<Record<Figure, string>>> = {
  'bow-band-tip': 'At the tip',
  'bow-band-mid': 'In the middle',
  'bow-band-frog': 'At the frog',
};

const HANDLE_NAMES: Readonly<Record<Measured, readonly string[]>> = {
  gap: ['End 1 of the hair', 'End 2 of the hair'],
  length: ['End 1 of the length', 'End 2 of the length'],
  lean: ['End 1 of the top', 'End 2 of the top', 'Foot of the bridge', 'Crown of the bridge'],
  band: ['Edge 1 of the hair', 'Edge 2 of the hair', 'Edge 1 of the ferrule', 'Edge 2 of the ferrule'],
  camber: ['Stick at the frog', 'Stick at the head', 'Deepest place of the stick'],
};

const SET: Readonly<Record<Measured, string>> = {
  gap: 'Drag both ends onto the hair, then it is read.',
  length: 'Drag both ends to what you measure, then it is read.',
  lean: 'Drag two onto the edge of the top, and two onto the face of the bridge towards the tailpiece, from its foot up.',
  band: 'Drag two onto the edges of the hair, straight across, and two onto those of the ferrule.',
  camber: 'Drag two onto the stick’s ends, on the side of the hair, and one to where it is deepest between.',
};

const READ: Readonly<Record<BowFault | LeanFault | 'corners', string>> = {
  ...PICTURE,
  'no-bridge': 'The bridge was not found. Drag two handles onto the edge of the top, and two onto its face.',
  'bridge-unclear':
    'Bridge and top are not clear against what is behind. Set the handles nearer, or put something plain behind.',
  'no-bow': 'No bow was found. Drag the two ends onto the hair, on the stretch where the stick comes nearest.',
  'bow-unclear':
    'Hair and stick are not clear against what is behind. Drag the two ends onto the hair, or take it before a plain wall.',
  corners: 'The corners cross, or lie in a row. Put one on each corner of the card, in turn.',
};

/** What features/photo/MeasurePhoto.tsx says. */
export const copy = {
  title: 'Measure by photo',
  what: 'What to measure',
  kinds: { gap: 'Bow gap', lean: 'Bridge lean', band: 'Hair band', camber: 'Camber', length: 'A length' },
  how: HOW,
  stays: 'The picture stays on this device, unless you have it kept.',
  keepToo: 'Keep the picture with it',
  take: 'Take or choose a picture',
  another: 'Another picture',
  looking: 'Looking for card and bow …',
  picture: 'The picture, with handles on it',
  corner: (at: number) => `Corner ${at + 1} of the card`,
  handles: HANDLE_NAMES,
  arrows: 'Drag a handle, or choose it and use the arrow keys: a pixel each, ten with Shift.',
  off: (figure: Figure, { sd }: PhotoReading, lengths: LengthUnit) => `± ${measureNumber(figure, 2 * sd, lengths)}`,
  within: (percent: number) =>
    `Nineteen times in twenty within that. Something 5 mm nearer than the card reads ${fixed(percent, 1)} % larger.`,
  setHandles: (what: Measured, wanting: number) => (wanting === 1 ? 'Set the last one, then it is read.' : SET[what]),
  square: (card: boolean) =>
    card
      ? 'Nineteen times in twenty within that: the card tells how the phone was held.'
      : 'Nineteen times in twenty within that, if the phone was held square. A card standing beside it makes it surer.',
  tailpiece: 'The tailpiece is',
  sides: { left: 'On the left', right: 'On the right' },
  places: PLACES,
  which: { gap: '', lean: '', camber: '', band: 'Where on the hair', length: 'Which figure' },
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
