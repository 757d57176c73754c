/**
 * The most a household keeps of each thing, so that none fills the disk that all share. Every way in checks them. From memory: far
 * more than any cupboard, and a few hundred megabytes in all.
 */
export const QUOTAS = {
  instruments: 500,
  places: 100,
  sensors: 100,
  /** Salt checks of one hygrometer. */
  checks: 200,
  cards: 4000,
  /** Entries of the log. */
  events: 600_000,
  /** Readings of all hygrometers: nineteen years of minutes. */
  readings: 10_000_000,
  /** What was sent to workshops, revoked or past among it. */
  shares: 200,
  /** Persons, those who are gone among them. */
  people: 1000,
  photos: 2000,
  /** Bytes of all photographs. */
  photoBytes: 500_000_000,
} as const;
export type Quota = keyof typeof QUOTAS;

/** What is told beforehand: from this share on. */
export const QUOTA_TOLD_FROM = 0.8;
