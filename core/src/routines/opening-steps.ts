import { bowGap } from '../bow';
import { BOWED, CHIN_HELD, ON_ENDPIN, type BowedFamily } from '../instruments';
import type { StepData } from './step';

export const OPENING_IDS = [
  'place',
  'hands',
  'unpack',
  'endpin-out',
  'tighten',
  'rosin',
  'rest-on',
  'tune',
  'glance',
] as const;
export type OpeningStepId = (typeof OPENING_IDS)[number];

const PLACE = {
  id: 'place',
  zone: 'whole',
  tool: 'none',
  why: 'The same spot each time, and everyone at home knows it.',
} as const;

const tighten = (family: BowedFamily): StepData<OpeningStepId> => {
  const { least, most, usual, gauge } = bowGap(family);
  return {
    id: 'tighten',
    title: `Tighten the bow to ${usual} mm`,
    how: [
      `${family === 'bass' ? `${least} mm and up` : `${least} to ${most} mm`} between stick and hair, mid-bow; hold ${gauge} against it.`,
      'The stick keeps its inward curve. Straight is too tight; outward: stop, and back off at once.',
    ],
    why: 'The gap decides, not the turns: hair stretches and shrinks.',
    zone: 'bow-screw',
    tool: 'hands',
    for: { families: [family] },
    after: ['unpack'],
    figure: 'bow-turns',
  };
};

const ROSIN = { id: 'rosin', title: 'Rosin', zone: 'bow-hair', tool: 'rosin', after: ['tighten'] } as const;
const ROSIN_WHY = 'Test it by the sound, never with a finger: oil makes hair slip.';

const TUNE = {
  id: 'tune',
  title: 'Tune',
  zone: 'pegs',
  tool: 'hands',
  after: ['unpack', 'rest-on', 'endpin-out'],
} as const;

/**
 * The opening round as data [handbook 1].
 * From memory: the nut of a bass level with the brow, levers down and pedals in flat while tuning a harp.
 */
export const OPENING_STEPS: readonly StepData<OpeningStepId>[] = [
  {
    ...PLACE,
    title: 'Case flat on the floor',
    how: ['It lies fully on the floor, away from doors, pets and small children.', 'The domed lid is the top.'],
    for: { families: [...BOWED, 'guitar'], case: ['hard', 'soft'], school: { place: 'A' } },
  },
  {
    ...PLACE,
    title: 'Case flat on the table',
    how: ['It lies fully on a table or bed, not over the edge, never on a lap.', 'The domed lid is the top.'],
    for: { families: [...BOWED, 'guitar'], case: ['hard', 'soft'], school: { place: 'B' } },
  },
  {
    ...PLACE,
    title: 'Room round the harp',
    how: ['Clear of heater, vent and sun.', 'Two people move it, never by the column alone.'],
    why: 'Heat softens glue, and a harp that falls breaks its neck.',
    for: { families: ['harp'] },
  },
  {
    id: 'hands',
    title: 'Hands washed and dried',
    how: ['No hand lotion before playing.'],
    why: 'Skin oil corrodes strings and clogs hair; water harms varnish.',
    zone: 'hand-zones',
    tool: 'hands',
    after: ['place'],
  },
  {
    id: 'unpack',
    title: 'Open every latch, then lift by the neck',
    how: ['Instrument first, with one hand at the neck.', 'Bow by its frog; fingers never touch the hair.'],
    why: 'A half-open case tips, and hair with skin oil on it slips.',
    zone: 'whole',
    tool: 'hands',
    for: { families: CHIN_HELD, case: ['hard', 'soft'] },
    after: ['hands'],
  },
  {
    id: 'unpack',
    title: 'Bow out first',
    how: [
      'The bow, held by its frog, tip down; fingers never touch the hair.',
      'Case on its back, every zip fully open.',
      'Two hands: one at the neck, one at the waist.',
    ],
    why: 'The bow is the first thing a case crushes.',
    zone: 'whole',
    tool: 'hands',
    for: { families: ON_ENDPIN, case: ['soft'] },
    after: ['hands'],
  },
  {
    id: 'unpack',
    title: 'Open every latch, then lift',
    how: ['Two hands: one at the neck, one at the waist.', 'Bow by its frog; fingers never touch the hair.'],
    why: 'Large instruments are two-handed, and fingers make hair slip.',
    zone: 'whole',
    tool: 'hands',
    for: { families: ON_ENDPIN, case: ['hard'] },
    after: ['hands'],
  },
  {
    id: 'unpack',
    title: 'Open every latch, then lift by the neck',
    how: ['Close the empty case again: a lid that drops breaks what is put back.'],
    why: 'An open case is a trap for feet and necks.',
    zone: 'whole',
    tool: 'hands',
    for: { families: ['guitar'], case: ['hard', 'soft'] },
    after: ['hands'],
  },
  {
    id: 'endpin-out',
    title: 'Endpin at your length',
    how: ['Loosen the screw a quarter turn, draw the pin to your length, tighten.', 'About 30 cm is a first try.'],
    why: 'A length that changes every day changes how you sit and bow.',
    zone: 'endpin',
    tool: 'hands',
    for: { families: ['cello'], endpin: true },
    after: ['unpack'],
    figure: 'endpin-length',
  },
  {
    id: 'endpin-out',
    title: 'Endpin at your length',
    how: [
      'Loosen the screw a quarter turn, draw the pin to your length, tighten.',
      'The nut comes about level with your brow.',
    ],
    why: 'A length that changes every day changes how you stand and bow.',
    zone: 'endpin',
    tool: 'hands',
    for: { families: ['bass'], endpin: true },
    after: ['unpack'],
    figure: 'endpin-length',
  },
  ...BOWED.map(tighten),
  {
    ...ROSIN,
    how: [
      'The whole length, without pressure, with extra passes at frog and tip.',
      'Hold the cake by its cloth or box.',
    ],
    why: ROSIN_WHY,
    for: { families: BOWED, school: { rosinEnds: 'A' } },
  },
  {
    ...ROSIN,
    how: ['Without pressure, stopping short of the frog.', 'Hold the cake by its cloth or box.'],
    why: ROSIN_WHY,
    for: { families: BOWED, school: { rosinEnds: 'B' } },
  },
  {
    id: 'rest-on',
    title: 'Shoulder rest on',
    how: ['Narrow end to the chin-rest side, feet at your heights.'],
    why: 'A rest that sits as always keeps the instrument as always.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: CHIN_HELD, rest: ['rest'] },
    after: ['unpack'],
    figure: 'rest-left',
  },
  {
    id: 'rest-on',
    title: 'Pad on',
    how: ['Band over the lower corner and the button, pad flat.'],
    why: 'A pad that slips makes you grip.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: CHIN_HELD, rest: ['pad'] },
    after: ['unpack'],
  },
  {
    ...TUNE,
    how: [
      'Fine tuners for small steps. Pegs slowly, pushed in while turning, never above pitch.',
      'One string at a time.',
    ],
    why: 'The thinnest string breaks first, and tuning pulls the bridge towards the pegs.',
    for: { families: BOWED },
    caution: 'Face away from the string.',
  },
  {
    ...TUNE,
    how: ['Up to pitch from below, one string at a time.'],
    why: 'A string let down to pitch slips flat again.',
    for: { families: ['guitar'] },
  },
  {
    ...TUNE,
    how: ['All levers down. Up to pitch from below, one string at a time.'],
    why: 'A lever up while tuning cuts the string.',
    for: { families: ['harp'], kinds: ['lever'] },
  },
  {
    ...TUNE,
    how: ['All pedals in flat. Up to pitch from below, one string at a time.'],
    why: 'With the discs open no string is strained.',
    for: { families: ['harp'], kinds: ['pedal'] },
  },
  {
    id: 'glance',
    title: 'Glance at the bridge',
    how: ['From the side: its back stands straight up from the top, feet flat.', 'Leaning? Stop and ask, do not pull.'],
    why: 'A bridge that falls can bring the sound post down with it.',
    zone: 'bridge',
    tool: 'none',
    adult: true,
    for: { families: BOWED },
    after: ['tune'],
  },
  {
    id: 'glance',
    title: 'Glance at the bridge',
    how: ['It stands on its marks, both feet flat.'],
    why: 'The strings alone hold it, and tuning moves it.',
    zone: 'bridge',
    tool: 'none',
    for: { families: ['guitar'], floatingBridge: true },
    after: ['tune'],
  },
];
