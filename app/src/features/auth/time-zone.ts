/** The time zone this device is in. */
export function hereZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
}
