/**
 * An instant as a statement takes it: in UTC. Given as it is, it would be written by the clock of the machine.
 * @param at a date, or ISO 8601 with a `Z`
 * @example utc(new Date(0)) // '1970-01-01 00:00:00.000'
 */
export function utc(at: Date | string): string {
  return new Date(at).toISOString().replace('T', ' ').replace('Z', '');
}
