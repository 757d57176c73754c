import type { Instrument } from '@tembrin/contract';
import {
  FAMILIES,
  KINDS,
  recordOf,
  variantOf,
  type CaseKind,
  type Family,
  type Finish,
  type Habit,
  type Kind,
  type RestKind,
  type StringLayout,
  type Zone,
} from '@tembrin/core/instruments';
import { noteName } from '@tembrin/core/pitch';
import { bodyName, type LengthUnit } from './measures';
import { PART_IDS, partName, type PartId, type ThreadState } from '@tembrin/core/parts';
import type { FitReason, StepId } from '@tembrin/core/log';
import type { ResidueState } from '@tembrin/core/care';

/** A name for each of a list, by what it is a name of. */
const named = <Id extends string>(ids: readonly Id[], nameOf: (id: Id) => string) =>
  Object.fromEntries(ids.map((id) => [id, nameOf(id)])) as Readonly<Record<Id, string>>;

export const FAMILY_NAMES: Readonly<Record<Family, string>> = named(FAMILIES, (family) => recordOf(family).name);

export const KIND_NAMES: Readonly<Record<Kind, string>> = named(
  KINDS,
  (kind) => FAMILIES.flatMap((family) => recordOf(family).variants[kind]?.name ?? [])[0]!,
);

export const CASE_NAMES: Readonly<Record<CaseKind, string>> = { hard: 'Hard case', soft: 'Soft case', none: 'No case' };

export const PART_NAMES: Readonly<Record<PartId, string>> = named(PART_IDS, partName);

export const STATE_NAMES: Readonly<Record<ThreadState, string>> = {
  well: 'Well',
  soon: 'Soon',
  now: 'Now',
  unknown: 'Not known',
};

export const REASON_NAMES: Readonly<Record<FitReason, string>> = {
  worn: 'Worn',
  broke: 'One broke',
  frayed: 'Frayed',
  experiment: 'Trying others',
  set: 'To match the set',
  'on-record': 'Not known',
};

/** How much it is played on most days: as an answer, and in a sentence. */
export const HABIT_NAMES: Readonly<Record<Habit, string>> = {
  minutes: 'A few minutes',
  'half-hour': 'Half an hour',
  hour: 'An hour',
  'two-hours': 'Two hours',
  more: 'Longer',
};
export const HABIT_WORDS: Readonly<Record<Habit, string>> = {
  minutes: 'a few minutes a day',
  'half-hour': 'half an hour a day',
  hour: 'an hour a day',
  'two-hours': 'two hours a day',
  more: 'more than two hours a day',
};

export const REST_NAMES: Readonly<Record<RestKind, string>> = {
  rest: 'Rest with feet',
  pad: 'Pad with a band',
  none: 'None',
};

export const FINISH_NAMES: Readonly<Record<Finish, string>> = {
  varnish: 'Varnish',
  hard: 'Modern hard finish',
  lacquer: 'Thin lacquer',
  valuable: 'Old or valuable',
};

/** Steps of the closing round by themselves, in whatever wording an instrument has them. */
export const STEP_NAMES: Readonly<Record<StepId, string>> = {
  slacken: 'Slacken the bow',
  'wipe-stick': 'Wipe the stick',
  'wipe-strings': 'Wipe the strings',
  'wipe-rosin': 'Wipe the rosin zones',
  'wipe-hands': 'Wipe where hands were',
  'chin-rest': 'Clean the chin rest',
  'under-tailpiece': 'Under the tailpiece',
  'weekly-clean': 'The weekly clean',
  'action-dust': 'Dust the action',
  fretboard: 'Clean the fretboard',
  humidifier: 'Look at the humidifier',
  'rest-off': 'Rest off',
  'endpin-in': 'Endpin in',
  case: 'Into the case',
  stand: 'Onto its stand',
  latches: 'Close and fasten',
};

export const ZONE_NAMES: Readonly<Record<Zone, string>> = {
  'bow-hair': 'Bow hair',
  'bow-stick': 'Bow stick',
  'bow-screw': 'Bow screw',
  strings: 'Strings',
  'rosin-zones': 'Rosin zones',
  'hand-zones': 'Hand zones',
  'shoulder-rest': 'Shoulder rest',
  'chin-rest': 'Chin rest',
  'under-tailpiece': 'Under the tailpiece',
  fretboard: 'Fretboard',
  bridge: 'Bridge',
  pegs: 'Pegs',
  endpin: 'Endpin',
  action: 'Action',
  whole: 'Body',
};

export const RESIDUE_NAMES: Readonly<Record<ResidueState, string>> = {
  clean: 'Clean',
  fresh: 'Fresh',
  settling: 'Settling',
  caked: 'Caked',
};

/** "Violin 1/2", "Viola 16 in", "Violin, 5 strings, left-handed": what an instrument is. What is usual goes without saying. */
export function kindWords(
  instrument: Pick<Instrument, 'family' | 'kind' | 'size' | 'stringCount' | 'setUp'>,
  lengths: LengthUnit,
): string {
  const { family, kind, size, stringCount, setUp } = instrument;
  const name = kind ? KIND_NAMES[kind] : FAMILY_NAMES[family];
  const built =
    setUp.bodyMm === null ? (size && size !== '4/4' ? ` ${size}` : '') : ` ${bodyName(setUp.bodyMm, lengths)}`;
  const strings = stringCount === variantOf({ family, kind }).stringCount ? '' : `, ${stringCount} strings`;
  return `${name}${built}${strings}${setUp.leftHanded ? ', left-handed' : ''}`;
}

/** "5 strings, B0 to G2": the strings an instrument can be built with. */
export function layoutWords({ title, notes }: StringLayout): string {
  return `${title}, ${noteName(Math.min(...notes))} to ${noteName(Math.max(...notes))}`;
}
