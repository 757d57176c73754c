import { fixed } from './numbers';
import type { Instrument } from '@tembrin/contract';
import { lastingWords } from './dates';
import { gaugeWords } from './amounts';
import { type LengthUnit } from './measures';
import { DAY_MS } from '@tembrin/core/time';
import { hasOneLength, openStringName, openStrings, type BrokenReason, type LoadVerdict } from '@tembrin/core/strings';
import {
  recordOf,
  stringNames,
  type Core,
  type Family,
  type FamilyRecord,
  type StringSpec,
  type Winding,
} from '@tembrin/core/instruments';

export const CORE_NAMES: Readonly<Record<Core, string>> = {
  steel: 'Steel',
  synthetic: 'Synthetic',
  gut: 'Gut',
  nylon: 'Nylon',
  carbon: 'Carbon',
};

export const WINDING_NAMES: Readonly<Record<Winding, string>> = {
  plain: 'Plain',
  steel: 'Steel',
  'nickel-plated': 'Nickel-plated steel',
  nickel: 'Pure nickel',
  bronze: 'Bronze',
  copper: 'Copper',
  aluminium: 'Aluminium',
  silver: 'Silver',
  tungsten: 'Tungsten',
};

/** "Steel, plain, 0.26 mm"; "Synthetic core, silver". */
export function makeUpWords(spec: StringSpec | null, lengths: LengthUnit): string {
  if (!spec) return 'not described';
  const { core, winding, coated, gaugeMm } = spec;
  const make =
    winding === 'plain'
      ? `${CORE_NAMES[core]}, plain`
      : `${CORE_NAMES[core]} core, ${WINDING_NAMES[winding].toLowerCase()}`;
  return [make, coated ? 'coated' : null, gaugeMm === null ? null : gaugeWords(gaugeMm, lengths)]
    .filter(Boolean)
    .join(', ');
}

/** Names of an instrument's strings by position with their octave: "E5"; on a harp "C, octave 5". */
export function noteNames(instrument: Instrument): string[] {
  const names = openStrings(instrument).map(({ note }) => openStringName(instrument, note));
  // Strings in courses share notes: each is told by its course.
  if (new Set(names).size === names.length) return names;
  return stringNames(instrument).map((name, at) => `${name}, ${names[at]!}`);
}

/** Names short enough for a chart: "E5"; on a harp the number from the top. */
export function chartNames(instrument: Instrument): string[] {
  return !hasOneLength(instrument) ? stringNames(instrument) : noteNames(instrument);
}

/** "12 cents flat", "in tune". */
export function centsWords(cents: number): string {
  const size = Math.abs(cents);
  if (size < 0.5) return 'in tune';
  return `${fixed(size, size < 10 ? 1 : 0)} cents ${cents < 0 ? 'flat' : 'sharp'}`;
}

/** How fast two strings beat together: "3.1 beats a second". */
export function beatsWords(beats: number): string {
  if (beats < 0.1) return 'no beats';
  return `${fixed(beats, beats < 10 ? 1 : 0)} beats a second`;
}

type Bears = FamilyRecord['strings']['bears'];

/** What is looked at when the load is another, by what bears it. */
const LOOK_AT: Readonly<Record<Bears, (more: boolean) => string>> = {
  neck: (more) => `Look at the neck relief after a week: expect a little ${more ? 'more' : 'less'}.`,
  'bridge-and-post': () => 'Look at the bridge, and listen for the sound post after a week.',
  soundboard: () => 'Look along the soundboard at its string rib after a week.',
};
const ASK_FIRST: Readonly<Record<Bears, (more: boolean) => string>> = {
  neck: (more) => `Expect ${more ? 'more' : 'less'} relief in the neck: plan a set-up with it, or keep to your gauge.`,
  'bridge-and-post': () => 'That is a different load for post, bridge and top: ask a luthier before you change.',
  soundboard: () => 'That is a different load for the soundboard: ask a harp technician before you change.',
};

/** What a change of the whole pull means for the instrument. `change`: newtons, null where it cannot be told. */
export function loadWords(verdict: LoadVerdict, change: number | null, family: Family): string {
  const { bears } = recordOf(family).strings;
  const more = (change ?? 0) > 0;
  switch (verdict) {
    case 'unknown':
      return 'Describe every string on both sides, and the load can be told.';
    case 'same':
      return 'The instrument will not notice.';
    case 'look':
      return LOOK_AT[bears](more);
    case 'set-up':
      return ASK_FIRST[bears](more);
  }
}

/** Why the verdict on a broken string is what it is. */
export function brokenWords(reason: BrokenReason): string {
  const days = (count: number) => lastingWords(Math.max(1, count) * DAY_MS);
  switch (reason.code) {
    case 'others-fresh':
      return `The others went on ${days(reason.days)} ago: a new one beside them sounds alike.`;
    case 'others-half':
      return `The others have used ${Math.round(reason.wear * 100)} % of their life: not an old set yet.`;
    case 'others-old':
      return `The others are ${days(reason.days)} old and have used ${Math.round((reason.wear ?? 1) * 100)} % of their life: a new one would stand out.`;
    case 'others-unknown':
      return 'Nobody has said how old the others are. If they are older than three weeks, think of the set.';
    case 'fretted':
      return `The others are ${days(reason.days)} old. After three weeks fretted strings have lost their brilliance: a new one beside them shows it.`;
    case 'each-alone':
      return 'Harp strings are of many ages; each is replaced by itself, by octave and number.';
    case 'performance':
      return `A performance is ${reason.days === 0 ? 'today' : `in ${days(reason.days)}`}; these take ${days(reason.settleDays)} to settle.`;
    case 'spare':
      return reason.what === 'one' ? 'A spare one is in the cupboard.' : 'A spare set is in the cupboard.';
    case 'no-spare':
      return reason.what === 'one'
        ? 'There is no spare one in the cupboard: get two.'
        : 'There is no spare set in the cupboard.';
  }
}

/** What is said of strings by their age: up to so many days, then the last. */
type Ages = readonly (readonly [underDays: number, words: string])[];

const SINCE_NEW: Readonly<Record<FamilyRecord['strings']['renewed'], Ages>> = {
  'by-brilliance': [
    [14, 'Still new: the brilliance lasts two to three weeks.'],
    [
      90,
      'Past three weeks the brilliance fades too slowly to notice; new ones show it at once. The trade changes after three to six months.',
    ],
    [
      Infinity,
      'The strokes on the thread are three weeks, three and six months. Past three months what you hear now is not what they sounded like. When in doubt, err early.',
    ],
  ],
  'each-alone': [
    [14, 'New strings drift for a week or two.'],
    [Infinity, 'Each string has its own age; the one spent first decides.'],
  ],
  'by-wear': [
    [10, 'Still settling: they drift for some days.'],
    [180, 'The strokes on the thread are six and twelve months: the trade’s range, sooner with heavy practice.'],
    [
      Infinity,
      'The strokes on the thread are six and twelve months. The loss is slow enough that the player doesn’t notice until new ones are on. When in doubt, err early.',
    ],
  ],
};

/** What the age of the strings means to the ear. */
export function sinceNewWords(family: Family, ageMs: number): string {
  const ages = SINCE_NEW[recordOf(family).strings.renewed];
  return ages.find(([days]) => ageMs < days * DAY_MS)![1];
}

/** The trade's marks on the thread of strings fitted at an instant, ms. */
export function tradeMarks(family: Family, from: number): number[] {
  return recordOf(family).strings.changedAtDays.map((days) => from + days * DAY_MS);
}
