import type { RoomId } from './climate';
import type {
  DrillId,
  Extent,
  Family,
  Figure,
  Kind,
  Looker,
  LookId,
  SchoolChoices,
  SetUp,
  StepId,
  Sweat,
  Verdict,
} from '@tembrin/core';

/** A look-over of the demo library. */
export interface LookedOver {
  daysAgo: number;
  extent: Extent;
  by: Looker;
  minutes: number;
  saw: readonly {
    look: LookId;
    verdict: Verdict;
    figures?: readonly { figure: Figure; value: number }[];
    note?: string;
    /** It was mended so many days ago. */
    mended?: number;
  }[];
}

/** How one instrument of the demo library is used and kept: what the generator spins its log from. */
export interface Habit {
  name: string;
  /** Where it lives, and whether it lies in its own case there. */
  lives: { in: RoomId; cased: boolean };
  family: Family;
  kind?: Kind;
  size?: string;
  setUp?: Partial<SetUp>;
  /** Chance of playing on each weekday, Monday first. */
  plays: readonly number[];
  /** Median length of a session, and its spread (log sd). */
  minutes: number;
  spread: number;
  /** Hour at which the session usually begins. */
  hour: number;
  /** Chance that a closing-round step is skipped. */
  skips: Partial<Record<StepId, number>>;
  /** Bowing minutes after which the player reaches for the rosin. */
  rosinEvery?: number;
  /** In the last so many days the rosin was forgotten. */
  rosinForgotten?: number;
  /** Steps not done for the last so many days. */
  neglected?: Partial<Record<StepId, number>>;
  /** The last session ended without slackening. */
  leftTight?: boolean;
  /** When strings were fitted: the whole set, or the positions named; `known` false where nobody knew the date. */
  stringsFitted: readonly {
    daysAgo: number;
    strings?: readonly number[];
    reason: 'worn' | 'broke' | 'set' | 'on-record';
    known?: boolean;
  }[];
  /** The set that is on, by its general description; every fitting is of it. */
  set?: string;
  /** Hours after its last fitting, the string, and how far off it was found, cents. All of them past at any hour of today. */
  tuned?: readonly (readonly [hoursOn: number, string: number, cents: number])[];
  sweat?: Sweat;
  rehaired?: readonly { daysAgo: number; known?: boolean }[];
  hairLooked?: readonly number[];
  /** A second bow that rests in the case: when it was rehaired, and its hair looked at. */
  spareBow?: { title: string; rehaired: number; looked: number };
  checkedUp: readonly number[];
  /** What the workshop did, and what it took for it in the library's currency. */
  worked?: readonly { daysAgo: number; words: string; part: 'hair' | 'checkup' | null; amount: number }[];
  schools?: SchoolChoices;
  /** Figures of the set-up sheet as they were measured, oldest first. */
  measured?: readonly { daysAgo: number; figure: Figure; value: number }[];
  regulated?: readonly number[];
  /** Weighings of the humidifier in its case. */
  weighed?: readonly { daysAgo: number; kind: 'empty' | 'before' | 'filled'; grams: number }[];
  /** When it was looked over, oldest first: in how many minutes, by whom, and what was seen. */
  lookedOver?: readonly LookedOver[];
  /** Drills of the trainer, oldest first. */
  drills?: readonly { daysAgo: number; drill: DrillId; right: number; of: number; missed: readonly StepId[] }[];
}

/** A figure measured several times, the last so many days ago each. */
const over = (figure: Figure, ...marks: readonly (readonly [daysAgo: number, value: number])[]) =>
  marks.map(([daysAgo, value]) => ({ daysAgo, figure, value }));

/** A look at the bridge from the side, as it was read. */
const lean = (value: number) => ({
  look: 'bridge-lean' as const,
  verdict: Math.abs(value - 90) > 1.5 ? ('watch' as const) : ('good' as const),
  figures: [{ figure: 'bridge-angle' as const, value }],
});
const good = (...looks: readonly LookId[]) => looks.map((look) => ({ look, verdict: 'good' as const }));

const SCHOOL_DAYS = [0.8, 0.75, 0.8, 0.75, 0.5, 0.6, 0.3];
const EVERY_DAY = [0.95, 0.95, 0.9, 0.95, 0.85, 0.8, 0.6];
const NOW_AND_THEN = [0.3, 0.15, 0.4, 0.2, 0.15, 0.5, 0.4];

/** The shelf of a small lending library of strings, over a bakery by a harbour. Every instrument is named after a shore bird. */
export const SHELF: readonly Habit[] = [
  {
    name: 'Heron',
    lives: { in: 'case', cased: true },
    family: 'violin',
    plays: EVERY_DAY,
    minutes: 62,
    spread: 0.35,
    hour: 18.5,
    skips: { 'wipe-stick': 0.12, 'wipe-rosin': 0.08, 'wipe-hands': 0.15 },
    rosinEvery: 78,
    rosinForgotten: 1,
    stringsFitted: [
      { daysAgo: 520, reason: 'on-record' },
      { daysAgo: 236, reason: 'worn' },
      { daysAgo: 61, strings: [3], reason: 'broke' },
    ],
    set: 'violin-synthetic-medium',
    rehaired: [{ daysAgo: 330 }],
    hairLooked: [120],
    checkedUp: [500, 320, 95],
    worked: [
      { daysAgo: 330, words: 'Rehair', part: 'hair', amount: 62 },
      { daysAgo: 320, words: 'Checkup; the open seam at the lower bout glued', part: 'checkup', amount: 48 },
      { daysAgo: 95, words: 'Checkup; the post moved by a hair', part: 'checkup', amount: 35 },
    ],
    schools: { slack: 'B' },
    measured: [
      ...over('bow-turns', [325, 6], [240, 6], [150, 6.5], [70, 7], [12, 7]),
      ...over('bow-gap', [325, 7], [12, 7]),
      ...over('rest-left', [400, 31], [12, 33]),
      ...over('rest-right', [400, 24], [12, 24]),
      ...over('rest-position', [12, 68]),
    ],
    lookedOver: [
      { daysAgo: 505, extent: 'quick', by: 'player', minutes: 3, saw: [lean(90), ...good('pegs', 'neck')] },
      { daysAgo: 380, extent: 'quick', by: 'player', minutes: 2, saw: [lean(90.5), ...good('seams', 'neck')] },
      {
        daysAgo: 262,
        extent: 'full',
        by: 'player',
        minutes: 11,
        saw: [
          ...good('outside', 'seams'),
          lean(91),
          ...good('bridge-place', 'pegs', 'tailpiece', 'post', 'neck', 'chin-rest', 'stick'),
          { look: 'fine-tuners', verdict: 'act', note: 'The E is at its end.', mended: 262 },
        ],
      },
      { daysAgo: 158, extent: 'quick', by: 'teacher', minutes: 2, saw: [lean(91.5), ...good('post', 'seams')] },
      {
        daysAgo: 47,
        extent: 'full',
        by: 'player',
        minutes: 8,
        saw: [
          ...good('outside', 'seams'),
          lean(92.5),
          ...good('bridge-place'),
          { look: 'grooves', verdict: 'watch', note: 'The A creaks.' },
          ...good('pegs', 'fine-tuners', 'tailpiece', 'post', 'neck', 'chin-rest', 'stick', 'hair-clean', 'case'),
        ],
      },
    ],
  },
  {
    name: 'Wren',
    lives: { in: 'reading', cased: true },
    family: 'violin',
    size: '1/2',
    setUp: { player: 'child' },
    plays: SCHOOL_DAYS,
    minutes: 17,
    spread: 0.3,
    hour: 16.6,
    skips: { slacken: 0.06, 'wipe-stick': 0.4, 'wipe-rosin': 0.35, 'wipe-hands': 0.3 },
    rosinEvery: 95,
    neglected: { 'wipe-rosin': 6 },
    leftTight: true,
    stringsFitted: [{ daysAgo: 260, reason: 'on-record' }],
    set: 'violin-steel',
    rehaired: [{ daysAgo: 410 }],
    hairLooked: [130],
    checkedUp: [420, 130],
    measured: [
      ...over('rest-left', [500, 22], [380, 24], [260, 27], [150, 29], [40, 32]),
      ...over('rest-right', [500, 18], [380, 19], [260, 20], [150, 22], [40, 23]),
      ...over('bow-turns', [380, 6], [150, 6.5], [40, 7]),
    ],
    drills: [
      { daysAgo: 26, drill: 'order', right: 5, of: 8, missed: ['wipe-rosin', 'rest-off'] },
      { daysAgo: 19, drill: 'zones', right: 3, of: 4, missed: ['wipe-rosin'] },
      { daysAgo: 12, drill: 'case', right: 3, of: 4, missed: ['slacken'] },
      { daysAgo: 5, drill: 'screw', right: 2, of: 3, missed: [] },
    ],
  },
  {
    name: 'Curlew',
    lives: { in: 'ovens', cased: true },
    family: 'viola',
    setUp: { bodyMm: 406 },
    plays: SCHOOL_DAYS,
    minutes: 38,
    spread: 0.4,
    hour: 19,
    skips: { 'wipe-stick': 0.2, 'wipe-hands': 0.2 },
    rosinEvery: 85,
    stringsFitted: [
      { daysAgo: 470, reason: 'on-record' },
      { daysAgo: 96, reason: 'worn' },
      { daysAgo: 3, strings: [2], reason: 'broke' },
    ],
    set: 'viola-synthetic',
    tuned: [
      [2, 2, -21],
      [9, 2, -54],
      [24, 2, -90],
      [45, 2, -82],
      [57, 2, -34],
    ],
    rehaired: [{ daysAgo: 300 }],
    hairLooked: [40],
    checkedUp: [430, 75],
  },
  {
    name: 'Bittern',
    lives: { in: 'reading', cased: true },
    family: 'cello',
    plays: EVERY_DAY,
    minutes: 95,
    spread: 0.3,
    hour: 17,
    skips: { 'wipe-stick': 0.1, 'wipe-hands': 0.2 },
    rosinEvery: 62,
    stringsFitted: [
      { daysAgo: 400, reason: 'on-record' },
      { daysAgo: 140, reason: 'worn' },
    ],
    set: 'cello-steel',
    rehaired: [{ daysAgo: 400 }],
    spareBow: { title: 'The light bow', rehaired: 410, looked: 45 },
    checkedUp: [520, 205],
    lookedOver: [
      {
        daysAgo: 205,
        extent: 'bow',
        by: 'player',
        minutes: 2,
        saw: [
          ...good('stick'),
          { look: 'hair-band', verdict: 'good', figures: [{ figure: 'bow-band-mid', value: 90 }] },
        ],
      },
      {
        daysAgo: 33,
        extent: 'bow',
        by: 'player',
        minutes: 2,
        saw: [
          ...good('stick'),
          {
            look: 'hair-band',
            verdict: 'watch',
            figures: [
              { figure: 'bow-band-tip', value: 75 },
              { figure: 'bow-band-mid', value: 70 },
            ],
          },
          { look: 'hair-count', verdict: 'good', figures: [{ figure: 'bow-hairs-broken', value: 12 }] },
        ],
      },
    ],
    measured: [
      ...over('endpin-length', [520, 295], [300, 305], [90, 310]),
      ...over('bow-turns', [395, 6], [210, 7], [60, 8]),
      ...over('bow-gap', [60, 10]),
    ],
  },
  {
    name: 'Cormorant',
    lives: { in: 'ovens', cased: false },
    family: 'bass',
    plays: NOW_AND_THEN,
    minutes: 50,
    spread: 0.35,
    hour: 20,
    skips: { 'wipe-stick': 0.25, 'wipe-rosin': 0.2, 'wipe-hands': 0.3 },
    rosinEvery: 80,
    stringsFitted: [{ daysAgo: 548, reason: 'on-record', known: false }],
    rehaired: [{ daysAgo: 530 }],
    hairLooked: [150],
    checkedUp: [520, 60],
    measured: over('endpin-length', [510, 240]),
  },
  {
    name: 'Plover',
    lives: { in: 'reading', cased: false },
    family: 'guitar',
    kind: 'steel',
    setUp: { stand: true, humidifier: true },
    schools: { kept: 'B' },
    plays: EVERY_DAY,
    minutes: 48,
    spread: 0.5,
    hour: 20.5,
    skips: { 'wipe-strings': 0.35, 'wipe-hands': 0.5, stand: 0.3 },
    neglected: { 'wipe-strings': 4 },
    lookedOver: [
      {
        daysAgo: 190,
        extent: 'quick',
        by: 'player',
        minutes: 3,
        saw: [{ look: 'relief', verdict: 'good', figures: [{ figure: 'relief', value: 0.25 }] }, ...good('fret-ends')],
      },
      {
        daysAgo: 9,
        extent: 'quick',
        by: 'player',
        minutes: 3,
        saw: [
          { look: 'relief', verdict: 'watch', figures: [{ figure: 'relief', value: 0.1 }] },
          { look: 'fret-ends', verdict: 'act' },
        ],
      },
    ],
    stringsFitted: [
      { daysAgo: 480, reason: 'on-record' },
      { daysAgo: 350, reason: 'worn' },
      { daysAgo: 225, reason: 'worn' },
      { daysAgo: 118, reason: 'worn' },
    ],
    set: 'steel-light',
    checkedUp: [380, 20],
    measured: [
      ...over('action', [380, 2.2], [210, 2.3], [40, 2.5]),
      ...over('relief', [380, 0.2], [210, 0.2], [40, 0.3]),
      ...over('string-gauge', [480, 0.3]),
    ],
  },
  {
    name: 'Dunlin',
    lives: { in: 'reading', cased: true },
    family: 'guitar',
    kind: 'classical',
    plays: NOW_AND_THEN,
    minutes: 30,
    spread: 0.4,
    hour: 21,
    skips: { 'wipe-hands': 0.3 },
    stringsFitted: [
      { daysAgo: 390, reason: 'on-record' },
      { daysAgo: 52, reason: 'worn' },
    ],
    set: 'classical-normal',
    checkedUp: [120],
  },
  {
    name: 'Tern',
    lives: { in: 'reading', cased: false },
    family: 'harp',
    kind: 'lever',
    plays: NOW_AND_THEN,
    minutes: 42,
    spread: 0.4,
    hour: 10.5,
    skips: { 'wipe-hands': 0.25 },
    stringsFitted: [
      { daysAgo: 430, reason: 'on-record' },
      { daysAgo: 300, strings: [14, 15, 16, 17], reason: 'worn' },
      { daysAgo: 190, strings: [18, 19, 20], reason: 'worn' },
      { daysAgo: 88, strings: [28], reason: 'broke' },
    ],
    set: 'harp-lever-gut',
    checkedUp: [345, 160],
    regulated: [345],
  },
  {
    name: 'Knot',
    lives: { in: 'store', cased: true },
    family: 'violin',
    plays: [0, 0, 0, 0, 0, 0.04, 0],
    minutes: 12,
    spread: 0.3,
    hour: 11,
    skips: { 'wipe-stick': 0.3, 'wipe-hands': 0.3 },
    stringsFitted: [{ daysAgo: 505, reason: 'on-record' }],
    rehaired: [{ daysAgo: 505, known: false }],
    checkedUp: [505, 40],
  },
];
