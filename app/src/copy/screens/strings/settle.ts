import { fixed } from '../../numbers';
import { beatsWords, centsWords } from '@/copy/strings';
import { beatsBetween } from '@tembrin/core/sound';
import { dayWords, dateWords, lastingWords } from '@/copy/dates';

/** What features/strings/SettleScreen.tsx says. */
export const copy = {
  foundNowBringIt: (name: string | undefined, cents: number) =>
    `${name} found ${centsWords(cents)}. Now bring it to pitch.`,
  tuneAndSettle: 'Tune and settle',
  playOneOpenString: 'Play one open string',
  useASimulatedString: 'Use a simulated string',
  againstAHzNothing: (name: string, a4Hz: number, temperament: 'equal' | 'fifths') =>
    `${name}. Against A = ${a4Hz} Hz, ${temperament === 'fifths' ? 'in pure fifths' : 'equal temperament'}. Nothing you play is kept; only the cents you write down.`,
  theWillNotHave: ({
    title,
    atMs,
    nowMs,
    timeZone,
    warned,
  }: {
    title: string;
    atMs: number;
    nowMs: number;
    timeZone: string;
    warned: string;
  }) =>
    `${title}, ${dayWords(atMs, nowMs, timeZone)}: the ${warned} will not have settled by then. Tune as often as below, and once more just before you play.`,
  theBrowserDoesNot:
    'The browser does not let Tembrin listen. Allow the microphone for this page in its address bar, then try again.',
  noMicrophoneAnswersHere:
    'No microphone answers here. Plug one in, or open Tembrin over https or on this very device.',
  centsOnTheOf: (name: string | undefined, heardHz: number, wantedHz: number) =>
    `cents on the ${name}; ${fixed(heardHz, 1)} of ${fixed(wantedHz, 1)} Hz, ${beatsWords(beatsBetween(heardHz, wantedHz))}`,
  listeningForOneOpen: 'listening for one open string',
  theMainsHumDrowns:
    'The hum of the mains drowns the string. Go away from lamps, chargers and amplifiers, or play louder.',
  asStringsOfIts:
    'As strings of its kind usually give way (from memory). Each tuning you write down makes the curve its own.',
  allItHasFallen: (tunings: number) =>
    `All it has fallen since it went on: rings are your ${tunings} ${tunings === 1 ? 'tuning' : 'tunings'}, the line is fitted to them.`,
  whenToTuneAgain: 'When to tune again',
  fallsAboutCentsIn: ({
    cents,
    settledAt,
    nowMs,
    timeZone,
  }: {
    cents: number;
    settledAt: number;
    nowMs: number;
    timeZone: string;
  }) => `Falls about ${cents} cents in the coming day; holds from ${dateWords(settledAt, nowMs, timeZone)}.`,
  noStringHasGone:
    'No string has gone on lately, so there is nothing to settle. Tune as you like; nothing needs writing down.',
  eachTimeYouTake: 'Each time you take it up.',
  aboutEveryTodayThen: (everyMs: number) => `About every ${lastingWords(everyMs)} today, then less and less.`,
} as const;
