import { decisive, type Fitting, type InstrumentLog } from '../log';

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
  return Array.from({ length: stringCount }, (_, position) => ({
    position,
    fitting: decisive(log.fittings.filter(({ strings }) => strings === null || strings.includes(position))),
  }));
}
