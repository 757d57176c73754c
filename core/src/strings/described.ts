import type { StringSpec } from '../instruments';
import type { Fitting } from '../log';
import { specIn } from './on';

/**
 * What a fitting would have said had its strings been described then: everything else of it stays.
 * @param stringCount strings on the instrument
 * @param specOf what is now said of the string at a position (lowest string 0); null or undefined: nothing new
 * @returns the payload of an entry `strings-fitted`, alone: nothing of how or by whom the first was written down
 */
export function described(
  fitting: Fitting,
  stringCount: number,
  specOf: (position: number) => StringSpec | null | undefined,
) {
  const { strings, reason, known, spares, by, changeId } = fitting;
  const positions = strings ?? Array.from({ length: stringCount }, (_, at) => at);
  return {
    strings: strings && [...strings],
    reason,
    known,
    specs: positions.map((position) => specOf(position) ?? specIn(fitting, position)),
    ...(spares !== undefined && { spares }),
    ...(by !== undefined && { by }),
    ...(changeId !== undefined && { changeId }),
  };
}
