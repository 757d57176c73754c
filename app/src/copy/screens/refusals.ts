import { clockWords, dateWords } from '../dates';
import { humidityWords } from '../measures';

export { entries } from './line-state';

/** What features/Refusals.tsx says. */
export const copy = {
  couldNotBeStored: (entries: string, shown: number) => `${entries} could not be stored. The first ${shown} are shown.`,
  leaveThemAllOut: 'Leave them all out',
  enterItAgain: 'Enter it again',
  leaveItOut: 'Leave it out',
} as const;

export const readingNotStored = ({
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
};
