import type { Sweat } from '../instruments';
import { SCHOOLS, type SchoolChoices, type SchoolId } from '../schools';

/** How somebody goes about it, whatever they play. */
export interface Ways {
  /** Sides they take where practitioners differ; left out: none of their own. */
  schools?: SchoolChoices;
  /** What their hands do to strings; null or left out: nobody said. */
  hands?: Sweat | null;
}

/** Sides said by those who said one, each once. */
const sidesSaid = (players: readonly Ways[], id: SchoolId) => [
  ...new Set(players.flatMap(({ schools }) => schools?.[id] ?? [])),
];

/** What those who play an instrument chose alike: a side on which those who took one agree. */
export function agreedSchools(players: readonly Ways[]): SchoolChoices {
  return Object.fromEntries(
    SCHOOLS.flatMap((id) => {
      const said = sidesSaid(players, id);
      return said.length === 1 ? [[id, said[0]!]] : [];
    }),
  );
}

/** Schools on which they differ, so that the household's side holds for all of them. */
export function disputedSchools(players: readonly Ways[]): SchoolId[] {
  return SCHOOLS.filter((id) => sidesSaid(players, id).length > 1);
}
