import {
  openStringName,
  openStrings,
  stringNames,
  type BrokenReason,
  type Core,
  type LoadVerdict,
  type StringSpec,
  type Winding,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { lastingWords } from './dates';
import { gaugeWords, type LengthUnit } from './measures';

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
  nickel: 'Nickel',
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
  return openStrings(instrument).map(({ note }) => openStringName(instrument, note));
}

/** Names short enough for a chart: "E5"; on a harp the number from the top. */
export function chartNames(instrument: Instrument): string[] {
  return instrument.family === 'harp' ? stringNames(instrument) : noteNames(instrument);
}

/** "12 cents flat", "in tune". */
export function centsWords(cents: number): string {
  const size = Math.abs(cents);
  if (size < 0.5) return 'in tune';
  return `${size.toFixed(size < 10 ? 1 : 0)} cents ${cents < 0 ? 'flat' : 'sharp'}`;
}

/** What a change of load asks of the instrument, in a sentence. */
export function loadWords(verdict: LoadVerdict, change: number | null, family: Instrument['family']): string {
  const guitar = family === 'guitar';
  const more = (change ?? 0) > 0;
  switch (verdict) {
    case 'unknown':
      return 'Describe every string on both sides, and the load can be told.';
    case 'same':
      return 'The instrument will not notice.';
    case 'look':
      return guitar
        ? `Look at the neck relief after a week: expect a little ${more ? 'more' : 'less'}.`
        : 'Look at the bridge, and listen for the sound post after a week.';
    case 'set-up':
      return guitar
        ? `Expect ${more ? 'more' : 'less'} relief in the neck: plan a set-up with it, or keep to your gauge.`
        : 'That is a different load for post, bridge and top: ask a luthier before you change.';
  }
}

/** Why the verdict on a broken string is what it is. */
export function brokenWords(reason: BrokenReason): string {
  const days = (count: number) => lastingWords(Math.max(1, count) * 86_400_000);
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
    case 'harp':
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

const DAY_MS = 86_400_000;

/** How strings of this age sound to the trade: they fade slower than their player notices. */
export function sinceNewWords(family: Instrument['family'], ageMs: number): string {
  const days = ageMs / DAY_MS;
  if (family === 'guitar') {
    if (days < 14) return 'Still new: the brilliance lasts two to three weeks.';
    if (days < 90)
      return 'Past three weeks the brilliance fades too slowly to notice; new ones show it at once. The trade changes after three to six months.';
    return 'The strokes on the thread are three weeks, three and six months. Past three months what you hear now is not what they sounded like. When in doubt, err early.';
  }
  if (family === 'harp')
    return days < 14
      ? 'New strings drift for a week or two.'
      : 'Each string has its own age; the one spent first decides.';
  if (days < 10) return 'Still settling: they drift for some days.';
  if (days < 180)
    return 'The strokes on the thread are six and twelve months: the trade’s range, sooner with heavy practice.';
  return 'The strokes on the thread are six and twelve months. The loss is slow enough that the player doesn’t notice until new ones are on. When in doubt, err early.';
}

const MONTH_DAYS = 30.4375;
/** Ages at which the trade changes strings, in days: guitars after three to six months, bowed ones after six to twelve [handbook 4]. */
const TRADE_AGES = { guitar: [21, 3 * MONTH_DAYS, 6 * MONTH_DAYS], bowed: [6 * MONTH_DAYS, 12 * MONTH_DAYS] } as const;

/** The trade's marks on the thread of strings fitted at an instant, ms. */
export function tradeMarks(family: Instrument['family'], from: number): number[] {
  if (family === 'harp') return [];
  return TRADE_AGES[family === 'guitar' ? 'guitar' : 'bowed'].map((days) => from + days * DAY_MS);
}
