const KEPT = 'tembrin-device';

/** The id under which this device is told; null: it is not. */
export const deviceHere = (): string | null => window.localStorage.getItem(KEPT);

export const rememberDeviceHere = (id: string): void => window.localStorage.setItem(KEPT, id);

/** @param id left out: whichever it is */
export function forgetDeviceHere(id?: string): void {
  if (id === undefined || deviceHere() === id) window.localStorage.removeItem(KEPT);
}

const SYSTEMS = ['iPhone', 'iPad', 'Android', 'Windows', 'Macintosh', 'Linux'] as const;

/** What this device is called in its owner's list, by what its browser says. */
export function thisDevice(): string {
  const { userAgent } = window.navigator;
  const system = SYSTEMS.find((name) => userAgent.includes(name));
  return system === undefined ? 'This browser' : system === 'Macintosh' ? 'Mac' : system;
}
