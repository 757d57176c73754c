/** The most that may be said of each fact that is a number; the least is 0. */
export const MOST_FACTS = {
  /** Share of their life the strings, and the hair, have behind them: 1 is spent. */
  stringWear: 10,
  hairWear: 10,
  /** Days since strings went on, since the hair was new. */
  stringDays: 40_000,
  hairDays: 40_000,
  /** Minutes bowed since the last rosining; days residue has lain on it. */
  rosinMinutes: 100_000,
  residueDays: 40_000,
  /** Days since a journey, a fall or knock, since it got wet, since it came new; hours the bow was left tight. */
  journeyDays: 40_000,
  knockDays: 40_000,
  wetDays: 40_000,
  newDays: 40_000,
  tightHours: 100_000,
  /** Months since a luthier saw it; weeks it lay unplayed. */
  checkupMonths: 1_200,
  lyingWeeks: 5_000,
} as const;
export type Counted = keyof typeof MOST_FACTS;
/** The wood against its band, and which way it goes. */
export const WOODS = ['dry', 'usual', 'damp'] as const;
export const DRIFTS = ['drying', 'steady', 'wetting'] as const;

/** What is on record of an instrument and bears on what is wrong with it; whatever is left out is not known. */
export type Facts = { [F in Counted]?: number } & { wood?: (typeof WOODS)[number]; drift?: (typeof DRIFTS)[number] };

/** Facts within the bounds of what may be said: beyond them nothing more follows. */
export function bounded(facts: Facts): Facts {
  const within = ([name, value]: [string, string | number]) => [
    name,
    typeof value === 'number' ? Math.min(value, MOST_FACTS[name as Counted]) : value,
  ];
  return Object.fromEntries(Object.entries(facts).map(within)) as Facts;
}

const within = (days: number | undefined, most: number) => days !== undefined && days <= most;
const beyond = (value: number | undefined, least: number) => value !== undefined && value >= least;

/** What makes causes likelier, read off the facts. Limits from memory, but where the handbook gives them. */
export const CONDITIONS = {
  'strings-new': ({ stringDays }: Facts) => within(stringDays, 14),
  'strings-just-on': ({ stringDays }: Facts) => within(stringDays, 3),
  'strings-worn': ({ stringWear }: Facts) => beyond(stringWear, 0.8),
  'strings-spent': ({ stringWear }: Facts) => beyond(stringWear, 1.1),
  'hair-new': ({ hairDays }: Facts) => within(hairDays, 14),
  'hair-worn': ({ hairWear }: Facts) => beyond(hairWear, 0.8),
  'rosin-due': ({ rosinMinutes }: Facts) => beyond(rosinMinutes, 120),
  'rosin-just': ({ rosinMinutes }: Facts) => rosinMinutes !== undefined && rosinMinutes <= 10,
  residue: ({ residueDays }: Facts) => beyond(residueDays, 7),
  dry: ({ wood }: Facts) => wood === 'dry',
  damp: ({ wood }: Facts) => wood === 'damp',
  drying: ({ drift }: Facts) => drift === 'drying',
  wetting: ({ drift }: Facts) => drift === 'wetting',
  journey: ({ journeyDays }: Facts) => within(journeyDays, 14),
  knock: ({ knockDays }: Facts) => within(knockDays, 30),
  wet: ({ wetDays }: Facts) => within(wetDays, 3),
  'new-here': ({ newDays }: Facts) => within(newDays, 30),
  'left-tight': ({ tightHours }: Facts) => beyond(tightHours, 24),
  'checkup-late': ({ checkupMonths }: Facts) => beyond(checkupMonths, 18),
  lay: ({ lyingWeeks }: Facts) => beyond(lyingWeeks, 3),
} as const satisfies Record<string, (facts: Facts) => boolean>;
export type Condition = keyof typeof CONDITIONS;

/** What has to be known for a condition to be told. */
const NEEDED: Readonly<Record<Condition, keyof Facts>> = {
  'strings-new': 'stringDays',
  'strings-just-on': 'stringDays',
  'strings-worn': 'stringWear',
  'strings-spent': 'stringWear',
  'hair-new': 'hairDays',
  'hair-worn': 'hairWear',
  'rosin-due': 'rosinMinutes',
  'rosin-just': 'rosinMinutes',
  residue: 'residueDays',
  dry: 'wood',
  damp: 'wood',
  drying: 'drift',
  wetting: 'drift',
  journey: 'journeyDays',
  knock: 'knockDays',
  wet: 'wetDays',
  'new-here': 'newDays',
  'left-tight': 'tightHours',
  'checkup-late': 'checkupMonths',
  lay: 'lyingWeeks',
};

/** Whether a condition is known not to hold. */
export const isRuledOut = (condition: Condition, facts: Facts): boolean =>
  facts[NEEDED[condition]] !== undefined && !CONDITIONS[condition](facts);
