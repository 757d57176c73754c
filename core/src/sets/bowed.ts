import { statedString, type Core, type StringSpec, type Winding } from '../instruments';
import { equalHz, type Note } from '../pitch';
import { nearestSets, type SetsFor } from './nearest';

/** A bowed set by what each string pulls on the usual size, lowest first; tensions are from memory. */
export interface BowedSet {
  id: string;
  title: string;
  strings: readonly (readonly [Core, Winding, tensionN: number])[];
  /** The notes they are made for, where those are not the usual ones. */
  tuning?: readonly Note[];
}

/**
 * Sets as places to start from. Sets for smaller sizes are made to pull about as their own length asks, so the tension is
 * stated at the length there is.
 * @param made what is changed of a string; a plain one is sold by its gauge rather than by its tension
 */
export function bowedSets(
  usual: readonly Note[],
  sets: readonly BowedSet[],
  made: (spec: StringSpec, set: BowedSet, position: number) => StringSpec = (spec) => spec,
): SetsFor {
  return nearestSets(
    sets.map((set) => {
      const notes = set.tuning ?? usual;
      return {
        notes,
        preset: (strings) => ({
          id: set.id,
          title: set.title,
          strings: set.strings.map(([core, winding, tensionN], position) => {
            const stated = { tensionN, lengthMm: strings[position]!.lengthMm, hz: equalHz(notes[position]!) };
            return made(statedString(core, winding, stated), set, position);
          }),
        }),
      };
    }),
  );
}
