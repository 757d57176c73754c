/** The parts that wear, in the order in which threads are told: what each is called, whether it goes with the bow, and whether it is planned by dates. */
export const CATALOGUE = {
  strings: { name: 'Strings', onBow: false, dated: true },
  hair: { name: 'Bow hair', onBow: true, dated: true },
  'hair-look': { name: 'Hair look', onBow: true, dated: true },
  rosin: { name: 'Rosin', onBow: true, dated: false },
  residue: { name: 'Residue', onBow: false, dated: false },
  checkup: { name: 'Checkup', onBow: false, dated: true },
  air: { name: 'Air', onBow: false, dated: false },
} as const;

export type PartId = keyof typeof CATALOGUE;
export const PART_IDS = Object.keys(CATALOGUE) as [PartId, ...PartId[]];

/** Parts that are planned by dates. */
export type DatedPart = { [P in PartId]: (typeof CATALOGUE)[P]['dated'] extends true ? P : never }[PartId];
export const DATED_PARTS = PART_IDS.filter(isDated) as [DatedPart, ...DatedPart[]];

/** "Bow hair" */
export function partName(id: PartId): string {
  return CATALOGUE[id].name;
}

/** Whether a part comes due on a day, so that it can stand in the year. */
export function isDated(id: PartId): id is DatedPart {
  return CATALOGUE[id].dated;
}

/** Whether a part is on the bow, and goes with it. */
export function isOnBow(id: PartId): boolean {
  return CATALOGUE[id].onBow;
}
