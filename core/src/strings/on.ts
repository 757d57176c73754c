import { decisive, type Fitting, type InstrumentLog } from '../log';
import type { StringSpec } from '../instruments';

/** The string now on at a position. `fitting` null: nobody has said. */
export interface StringOn {
  position: number;
  fitting: Fitting | null;
  /** What it is, as the fitting says; null where it does not. */
  spec: StringSpec | null;
}

/** What a fitting says of the string at a position: null where it does not. */
export function specIn({ strings, specs }: Pick<Fitting, 'strings' | 'specs'>, position: number): StringSpec | null {
  const at = strings === null ? position : strings.indexOf(position);
  return specs?.[at] ?? null;
}

/**
 * Which fitting each string now on came from, by position, lowest string first.
 * @param stringCount strings on the instrument
 */
export function stringsOn(log: Pick<InstrumentLog, 'fittings'>, stringCount: number): StringOn[] {
  return Array.from({ length: stringCount }, (_, position) => {
    const fitting = decisive(log.fittings.filter(({ strings }) => strings === null || strings.includes(position)));
    return { position, fitting, spec: fitting && specIn(fitting, position) };
  });
}

/** One string's time on the instrument that is over. */
export interface PastString {
  position: number;
  spec: StringSpec | null;
  from: number;
  /** When its successor went on. */
  to: number;
  /** The fitting it came with, and the one that replaced it. */
  fitting: Fitting;
  successor: Fitting;
}

/** Strings that are off again, whose beginning and end are both known; by position, then in order of time. */
export function pastStrings(log: Pick<InstrumentLog, 'fittings'>, stringCount: number): PastString[] {
  return Array.from({ length: stringCount }, (_, position) =>
    log.fittings.filter(({ strings, known }) => known && (strings === null || strings.includes(position))),
  ).flatMap((fittings, position) =>
    fittings.slice(1).map((successor, at): PastString => {
      const fitting = fittings[at]!;
      return { position, spec: specIn(fitting, position), from: fitting.at, to: successor.at, fitting, successor };
    }),
  );
}
