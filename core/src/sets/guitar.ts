import { statedString, variantOf } from '../instruments';
import { equalHz, namedNotes, type Note } from '../pitch';
import { gaugedSet, nearestSets, type MadeFor } from './nearest';

const TUNING = namedNotes('E2', 'A2', 'D3', 'G3', 'B3', 'E4');
const SEVEN = namedNotes('B1', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4');
const EIGHT = namedNotes('F#1', 'B1', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4');
const TEN = namedNotes('F#1', 'Ab1', 'Bb1', 'C2', 'E2', 'A2', 'D3', 'G3', 'B3', 'E4');
const COURSES = namedNotes('E2', 'E3', 'A2', 'A3', 'D3', 'D4', 'G3', 'G4', 'B3', 'B3', 'E4', 'E4');
const BARITONE = namedNotes('B1', 'E2', 'A2', 'D3', 'F#3', 'B3');
const TENOR_FIFTHS = namedNotes('C3', 'G3', 'D4', 'A4');
const TENOR_FOURTHS = namedNotes('D3', 'G3', 'B3', 'E4');
const BASS_TUNING = namedNotes('E1', 'A1', 'D2', 'G2');
const BASS_LOW = namedNotes('B0', 'E1', 'A1', 'D2', 'G2');
const BASS_HIGH = namedNotes('E1', 'A1', 'D2', 'G2', 'C3');
const BASS_SIX = namedNotes('B0', 'E1', 'A1', 'D2', 'G2', 'C3');
/** What the tensions on classical packets are stated for. */
const CLASSICAL_MM = variantOf({ family: 'guitar', kind: 'classical' }).lengthMm(
  { size: '4/4', bodyMm: null },
  TUNING[0]!,
);

/**
 * A nylon set by what each string pulls at the classical length, lowest first; tensions are from memory.
 * @param wound how many of the lower ones are wound
 */
function nylonSet(
  id: string,
  title: string,
  made: readonly Note[],
  wound: number,
  tensions: readonly number[],
): MadeFor {
  const strings = tensions.map((tensionN, position) =>
    statedString('nylon', position < wound ? 'silver' : 'plain', {
      tensionN,
      lengthMm: CLASSICAL_MM,
      hz: equalHz(made[position]!),
    }),
  );
  return { notes: made, preset: () => ({ id, title, strings }) };
}

const STEEL_SETS = [
  gaugedSet('steel-extra-light', 'Extra light .010–.047', 'bronze', TUNING, '47w 39w 30w 23w 14 10'),
  gaugedSet('steel-light', 'Light .012–.053', 'bronze', TUNING, '53w 42w 32w 24w 16 12'),
  gaugedSet('steel-medium', 'Medium .013–.056', 'bronze', TUNING, '56w 45w 35w 26w 17 13'),
  gaugedSet(
    'steel-twelve',
    'Light .010–.047, in courses',
    'bronze',
    COURSES,
    '47w 27w 39w 18 30w 12 23w 8 14 14 10 10',
  ),
  gaugedSet('steel-seven', 'Light .012–.062', 'bronze', SEVEN, '62w 53w 42w 32w 24w 16 12'),
  gaugedSet('steel-tenor-fifths', 'Tenor in fifths .010–.032', 'bronze', TENOR_FIFTHS, '32w 22w 14 10'),
  gaugedSet('steel-tenor-fourths', 'Tenor .012–.032', 'bronze', TENOR_FOURTHS, '32w 24w 16 12'),
  gaugedSet('steel-baritone', 'Baritone .014–.070', 'bronze', BARITONE, '70w 56w 45w 35w 18 14'),
];
const CLASSICAL_SETS = [
  nylonSet('classical-normal', 'Normal tension nylon', TUNING, 3, [65, 70, 71, 54, 53, 69]),
  nylonSet('classical-high', 'High tension nylon', TUNING, 3, [69, 74, 75, 58, 56, 73]),
  nylonSet('classical-seven', 'Normal tension nylon, with a B', SEVEN, 4, [64, 65, 70, 71, 54, 53, 69]),
  nylonSet('classical-ten', 'Normal tension nylon, ten strings', TEN, 7, [62, 63, 64, 66, 65, 70, 71, 54, 53, 69]),
];
const ELECTRIC_SETS = [
  gaugedSet('electric-light', 'Light .009–.042', 'nickel-plated', TUNING, '42w 32w 24w 16 11 9'),
  gaugedSet('electric-regular', 'Regular .010–.046', 'nickel-plated', TUNING, '46w 36w 26w 17 13 10'),
  gaugedSet('electric-medium', 'Medium .011–.049', 'nickel-plated', TUNING, '49w 38w 28w 18 14 11'),
  gaugedSet('electric-seven', 'Regular .010–.059', 'nickel-plated', SEVEN, '59w 46w 36w 26w 17 13 10'),
  gaugedSet('electric-eight', 'Regular .010–.074', 'nickel-plated', EIGHT, '74w 56w 44w 34w 26w 17 13 10'),
  gaugedSet(
    'electric-twelve',
    'Light .010–.046, in courses',
    'nickel-plated',
    COURSES,
    '46w 26w 36w 17 26w 12 17 8 13 13 10 10',
  ),
  gaugedSet('electric-baritone', 'Baritone .014–.068', 'nickel-plated', BARITONE, '68w 56w 44w 34w 18 14'),
];
const BASS_SETS = [
  gaugedSet('bass-guitar-medium', 'Medium .045–.105', 'nickel-plated', BASS_TUNING, '105w 85w 65w 45w'),
  gaugedSet('bass-guitar-light', 'Light .040–.095', 'nickel-plated', BASS_TUNING, '95w 75w 55w 40w'),
  gaugedSet('bass-guitar-low-b', 'Medium .045–.130', 'nickel-plated', BASS_LOW, '130w 105w 85w 65w 45w'),
  gaugedSet('bass-guitar-high-c', 'Medium .032–.105', 'nickel-plated', BASS_HIGH, '105w 85w 65w 45w 32w'),
  gaugedSet('bass-guitar-six', 'Medium .032–.130', 'nickel-plated', BASS_SIX, '130w 105w 85w 65w 45w 32w'),
];

/** Sets of guitars by kind, the usual one first. */
export const guitar = {
  steel: nearestSets(STEEL_SETS),
  classical: nearestSets(CLASSICAL_SETS),
  electric: nearestSets(ELECTRIC_SETS),
  'bass-guitar': nearestSets(BASS_SETS),
};
