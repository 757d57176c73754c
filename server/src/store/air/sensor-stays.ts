import type { SensorRow } from '../../database/models';

/** Where a hygrometer hung, from an hour on. */
export interface SensorStay {
  /** Hours since 1970. */
  from: number;
  placeId: string;
}

/** Where a hygrometer hung, in order of time. */
export const sensorStays = (row: Pick<SensorRow, 'stays'>) => JSON.parse(row.stays) as SensorStay[];

/** The stretches in which a hygrometer hung in a place, in hours since 1970, both ends included. */
export function stretchesIn(row: Pick<SensorRow, 'stays'>, placeId: string): { from: number; to: number }[] {
  return sensorStays(row)
    .map((stay, index, all) => ({ ...stay, to: (all[index + 1]?.from ?? Infinity) - 1 }))
    .filter((stay) => stay.placeId === placeId);
}
