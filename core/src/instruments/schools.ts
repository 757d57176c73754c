import {
  SCHOOL_DATA,
  SCHOOLS,
  type SchoolChoices,
  type SchoolData,
  type SchoolId,
  type Schools,
  type Side,
} from '../schools';
import { recordOf, type Family } from './families';

/** Schools that matter to a family, in the order in which they are told. */
export function schoolsOf(family: Family): SchoolId[] {
  return SCHOOLS.filter((id) => recordOf(family).schools.includes(id));
}

/** The default side of a school for a family. */
export function usualSide(id: SchoolId, family: Family): Side {
  const data: SchoolData = SCHOOL_DATA[id];
  return recordOf(family).usualSides[id] ?? data.usual;
}

/** The side taken in each school: the instrument's own choice, else the household's, else the family's default. */
export function schoolsFor(family: Family, household: SchoolChoices = {}, own: SchoolChoices = {}): Schools {
  return Object.fromEntries(SCHOOLS.map((id) => [id, own[id] ?? household[id] ?? usualSide(id, family)])) as Schools;
}
