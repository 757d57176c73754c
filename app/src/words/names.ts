import type { CaseKind, Family, FitReason, Kind, PartId, StepId, ThreadState } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';

export const FAMILY_NAMES: Readonly<Record<Family, string>> = {
  violin: 'Violin',
  viola: 'Viola',
  cello: 'Cello',
  bass: 'Double bass',
  guitar: 'Guitar',
  harp: 'Harp',
};

export const KIND_NAMES: Readonly<Record<Kind, string>> = {
  steel: 'Steel-string guitar',
  classical: 'Classical guitar',
  electric: 'Electric guitar',
  lever: 'Lever harp',
  pedal: 'Pedal harp',
};

export const CASE_NAMES: Readonly<Record<CaseKind, string>> = { hard: 'Hard case', soft: 'Soft case', none: 'No case' };

export const PART_NAMES: Readonly<Record<PartId, string>> = {
  strings: 'Strings',
  hair: 'Bow hair',
  rosin: 'Rosin',
  residue: 'Residue',
  checkup: 'Checkup',
};

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

export const ZONE_NAMES: Readonly<Partial<Record<StepId, string>>> = {
  'wipe-stick': 'Bow stick',
  'wipe-strings': 'Strings',
  'wipe-rosin': 'Rosin zones',
  'wipe-hands': 'Hand zones',
};

/** "Violin 1/2", "Lever harp": what an instrument is, in a few words. A full size goes without saying. */
export function kindWords({ family, kind, size }: Pick<Instrument, 'family' | 'kind' | 'size'>): string {
  const name = kind ? KIND_NAMES[kind] : FAMILY_NAMES[family];
  return size && size !== '4/4' ? `${name} ${size}` : name;
}
