import type { ForceUnit, LengthUnit, TemperatureUnit } from './measures';

export interface Units {
  lengths: LengthUnit;
  temperatures: TemperatureUnit;
  forces: ForceUnit;
}

const shown: Units = { lengths: 'mm', temperatures: 'C', forces: 'N' };

/** The units this device shows: for sentences that lie too deep to be handed them. A screen that is open follows when it is drawn anew. */
export const shownUnits = (): Readonly<Units> => shown;

/** Says which units this device shows. */
export function showUnits({ lengths, temperatures, forces }: Units): void {
  Object.assign(shown, { lengths, temperatures, forces });
}
