import { clockWords, dateWords } from '../dates';
import { humidityWords } from '../measures';

/** What features/LineState.tsx says. */
export const copy = {
  readingNotStored: ({
    percent,
    at,
    name,
    timeZone,
    why,
  }: {
    percent: number;
    at: string;
    name: string | null;
    timeZone: string;
    why: string;
  }) => {
    const ms = Date.parse(at);
    const when = `${dateWords(ms, Date.now(), timeZone)}, ${clockWords(ms, timeZone)}`;
    return `Not stored: ${humidityWords(percent / 100, percent % 1 === 0 ? 0 : 1)}${name ? ` on ${name}` : ''}, ${when}. ${why}`;
  },
  theServerIsOut: 'The server is out of reach. You can go on; what you record is kept here and sent later.',
  theServerIsOutOf: (entries: string) =>
    `The server is out of reach. ${entries} kept here, sent as soon as it is back.`,
  theServersClock: (entries: string) =>
    `The server’s clock is behind this device’s. ${entries} kept here, sent once it has caught up.`,
  youAreSignedOut: (unsent: number, entries: string) =>
    `You are signed out. ${unsent === 0 ? 'Sign in to go on.' : `Sign in to send ${entries} kept here.`}`,
  couldNotBeStored: (entries: string, shown: number) => `${entries} could not be stored. The first ${shown} are shown.`,
  leaveThemAllOut: 'Leave them all out',
  enterItAgain: 'Enter it again',
  leaveItOut: 'Leave it out',
} as const;
