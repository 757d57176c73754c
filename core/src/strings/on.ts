import type { Fitting, InstrumentLog } from '../log';

/** The string now on at a position. `fitting` null: nobody has said. */
export interface StringOn {
  position: number;
  fitting: Fitting | null;
}

/**
 * Which fitting each string now on came from, by position, lowest string first.
 * @param stringCount strings on the instrument
 */
export function stringsOn(log: Pick<InstrumentLog, 'fittings'>, stringCount: number): StringOn[] {
  const on: StringOn[] = Array.from({ length: stringCount }, (_, position) => ({ position, fitting: null }));
  for (const fitting of log.fittings) {
    for (const string of on) {
      if (fitting.strings === null || fitting.strings.includes(string.position)) string.fitting = fitting;
    }
  }
  return on;
}
