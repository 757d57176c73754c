import type { JobId } from '../guided';
import type { Applies } from './applies';
import { BOWED, CHIN_HELD, familiesWith, ON_ENDPIN, type Family } from './families';
import type { Figure } from './figures';
import type { Zone } from './zones';

/** What is looked at when an instrument is looked over, in the order of the round [handbook 9]; guides say how. */
export const LOOKS = [
  'outside',
  'seams',
  'soundboard',
  'bridge-lean',
  'bridge-place',
  'bridge-glued',
  'string-height',
  'strings',
  'grooves',
  'pegs',
  'tuners',
  'fine-tuners',
  'tailpiece',
  'post',
  'neck',
  'relief',
  'action',
  'fret-ends',
  'harp-action',
  'harp-tuning',
  'chin-rest',
  'endpin',
  'stick',
  'hair-band',
  'hair-count',
  'hair-length',
  'hair-clean',
  'case',
] as const;
export type LookId = (typeof LOOKS)[number];

/** good: as it should be; watch: look again; act: something is to be done. */
export const VERDICTS = ['good', 'watch', 'act'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** Whose business something is that was found. */
type Mender = 'self' | 'teacher' | 'workshop';

/** What is known of a look wherever it is named: what is looked at, where, whose business it is when something is found. */
export interface LookData {
  title: string;
  /** Where it is on the plate. */
  zone: Zone;
  for: Applies & { families: readonly Family[] };
  /** It is a part of the bow, and goes with it. */
  bow?: true;
  /** What is read of it, where there is something to read. */
  figures?: readonly Figure[];
  /** Who sees to it when it asks for something, and how soon: danger means do not play. */
  act: { who: Mender; when: 'danger' | 'soon' | 'visit' };
  /** Air that explains it: wood too dry, too damp. */
  air?: readonly ('dry' | 'damp')[];
  /** The guided job that answers what is found. */
  job?: JobId;
}

const ALL = familiesWith(() => true);
const FRETTED = familiesWith(({ fretted }) => fretted);
const HARPS = familiesWith(({ takes }) => takes.action);
const GLUED = ['steel', 'classical'] as const;
const bow = { for: { families: BOWED }, bow: true } as const;

/** The guided jobs that answer what air has done to an instrument: those of the looks that it explains. */
export function jobsForAir(family: Family, side: 'dry' | 'damp'): JobId[] {
  const looks = LOOKS.map((look) => LOOK_DATA[look]).filter(
    (look) => look.for.families.includes(family) && look.air?.includes(side),
  );
  const jobs = looks.flatMap(({ job }) => job ?? []);
  return [...new Set(jobs.map((job) => (job === 'pegs-slip' && side === 'damp' ? 'pegs-stick' : job)))];
}

/** Each look. Who and how soon [handbook 5, 7, 9]; where the handbook is silent, common practice. */
export const LOOK_DATA: Readonly<Record<LookId, LookData>> = {
  outside: {
    title: 'Outside',
    zone: 'whole',
    for: { families: ALL },
    act: { who: 'workshop', when: 'danger' },
    air: ['dry'],
  },
  seams: {
    job: 'seam-tour',
    title: 'Seams',
    zone: 'whole',
    for: { families: [...BOWED, 'guitar'] },
    act: { who: 'workshop', when: 'soon' },
    air: ['dry'],
  },
  soundboard: {
    job: 'seam-tour',
    title: 'Soundboard',
    zone: 'whole',
    for: { families: HARPS },
    act: { who: 'workshop', when: 'soon' },
    air: ['dry', 'damp'],
  },
  'bridge-lean': {
    job: 'bridge-upright',
    title: 'Bridge, upright',
    zone: 'bridge',
    for: { families: BOWED },
    figures: ['bridge-angle'],
    act: { who: 'teacher', when: 'soon' },
  },
  'bridge-place': {
    job: 'bridge-upright',
    title: 'Bridge, in its place',
    zone: 'bridge',
    for: { families: BOWED },
    figures: ['bridge-offset'],
    act: { who: 'teacher', when: 'soon' },
  },
  'bridge-glued': {
    title: 'Bridge, glued down',
    zone: 'bridge',
    for: { families: ['guitar'], kinds: GLUED, floatingBridge: false },
    act: { who: 'workshop', when: 'soon' },
    air: ['dry', 'damp'],
  },
  'string-height': {
    title: 'String height',
    zone: 'fretboard',
    for: { families: BOWED },
    figures: ['height-low', 'height-high'],
    act: { who: 'workshop', when: 'visit' },
    air: ['dry', 'damp'],
  },
  strings: {
    title: 'Strings, whole',
    zone: 'strings',
    for: { families: ALL },
    act: { who: 'self', when: 'danger' },
  },
  grooves: {
    title: 'Grooves',
    zone: 'bridge',
    for: { families: [...BOWED, 'guitar'] },
    act: { who: 'workshop', when: 'visit' },
  },
  pegs: {
    job: 'pegs-slip',
    title: 'Pegs',
    zone: 'pegs',
    for: { families: BOWED },
    act: { who: 'workshop', when: 'visit' },
    air: ['dry', 'damp'],
  },
  tuners: {
    title: 'Tuners',
    zone: 'pegs',
    for: { families: ['guitar'] },
    act: { who: 'workshop', when: 'visit' },
  },
  'fine-tuners': {
    job: 'fine-tuner',
    title: 'Fine tuners',
    zone: 'under-tailpiece',
    for: { families: BOWED },
    act: { who: 'self', when: 'visit' },
  },
  tailpiece: {
    title: 'Tailpiece and its cord',
    zone: 'under-tailpiece',
    for: { families: BOWED },
    act: { who: 'workshop', when: 'soon' },
  },
  post: {
    job: 'post-look',
    title: 'Sound post',
    zone: 'bridge',
    for: { families: BOWED },
    act: { who: 'workshop', when: 'danger' },
  },
  neck: {
    title: 'Neck and fingerboard',
    zone: 'fretboard',
    for: { families: BOWED },
    act: { who: 'workshop', when: 'danger' },
    air: ['dry'],
  },
  relief: {
    job: 'relief',
    title: 'Neck relief',
    zone: 'fretboard',
    for: { families: FRETTED },
    figures: ['relief'],
    act: { who: 'workshop', when: 'visit' },
    air: ['dry', 'damp'],
  },
  action: {
    title: 'Action',
    zone: 'fretboard',
    for: { families: FRETTED },
    figures: ['action', 'action-high'],
    act: { who: 'workshop', when: 'visit' },
    air: ['dry', 'damp'],
  },
  'fret-ends': {
    job: 'fret-ends',
    title: 'Fret ends',
    zone: 'fretboard',
    for: { families: FRETTED },
    act: { who: 'workshop', when: 'visit' },
    air: ['dry'],
  },
  'harp-action': {
    job: 'harp-action',
    title: 'Levers, discs and pins',
    zone: 'action',
    for: { families: HARPS },
    act: { who: 'workshop', when: 'visit' },
  },
  'harp-tuning': {
    job: 'harp-action',
    title: 'In tune when sharpened',
    zone: 'action',
    for: { families: HARPS },
    figures: ['sharpened-off'],
    act: { who: 'workshop', when: 'visit' },
  },
  'chin-rest': {
    title: 'Chin rest',
    zone: 'chin-rest',
    for: { families: CHIN_HELD },
    act: { who: 'self', when: 'visit' },
  },
  endpin: {
    title: 'Endpin',
    zone: 'endpin',
    for: { families: ON_ENDPIN, endpin: true },
    act: { who: 'workshop', when: 'visit' },
  },
  stick: {
    ...bow,
    title: 'Stick and tip',
    zone: 'bow-stick',
    figures: ['bow-stick-bend', 'bow-camber'],
    act: { who: 'workshop', when: 'danger' },
  },
  'hair-band': {
    ...bow,
    title: 'Hair band',
    zone: 'bow-hair',
    figures: ['bow-band-tip', 'bow-band-mid', 'bow-band-frog'],
    act: { who: 'workshop', when: 'visit' },
  },
  'hair-count': {
    job: 'broken-hair',
    ...bow,
    title: 'Broken hairs',
    zone: 'bow-hair',
    figures: ['bow-hairs-broken'],
    act: { who: 'workshop', when: 'visit' },
  },
  'hair-length': {
    ...bow,
    title: 'Turns to the gap',
    zone: 'bow-screw',
    figures: ['bow-turns'],
    act: { who: 'workshop', when: 'visit' },
    air: ['dry', 'damp'],
  },
  'hair-clean': {
    ...bow,
    title: 'Hair at the frog',
    zone: 'bow-hair',
    act: { who: 'workshop', when: 'visit' },
  },
  case: {
    title: 'Case',
    zone: 'whole',
    for: { families: ALL, case: ['hard', 'soft'] },
    act: { who: 'self', when: 'soon' },
  },
};

/** Whether a look is one of this family's. */
export function isLookedAt(look: LookId, family: Family): boolean {
  return LOOK_DATA[look].for.families.includes(family);
}
