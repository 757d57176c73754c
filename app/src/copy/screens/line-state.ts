export const entries = (count: number) => (count === 1 ? '1 entry' : `${count} entries`);

/** What features/LineState.tsx says. */
export const copy = {
  theServerIsOut: 'The server is out of reach. You can go on; what you record is kept here and sent later.',
  theServerIsOutOf: (entries: string) =>
    `The server is out of reach. ${entries} kept here, sent as soon as it is back.`,
  theServersClock: (entries: string) =>
    `The server’s clock is behind this device’s. ${entries} kept here, sent once it has caught up.`,
  youAreSignedOut: (unsent: number, entries: string) =>
    `You are signed out. ${unsent === 0 ? 'Sign in to go on.' : `Sign in to send ${entries} kept here.`}`,
} as const;
