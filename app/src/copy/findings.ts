import type { Instrument } from '@tembrin/contract';
import { isDanger, type Cause, type Reason } from '@tembrin/core/inspection';
import { LOOK_DATA, stringNames, type Verdict } from '@tembrin/core/instruments';
import type { Finding, Settled } from '@tembrin/core/log';
import { sinceDayWords } from './dates';
import { listWords, type Moment } from './lists';
import { measureWords } from './measures';
import { shownUnits } from './units';

/** What is said of a thing that was looked at. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = { good: 'good', watch: 'watch it', act: 'act' };

/** What became of something found. */
export const SETTLED_WORDS: Readonly<Record<Settled, string>> = {
  mended: 'Mended',
  'seen-to': 'Seen to',
  'false-alarm': 'False alarm',
};

type Seen = Pick<Finding, 'look' | 'verdict' | 'string' | 'figures' | 'note'>;

/** What was looked at: "Bridge, upright", "Strings, whole: A". */
export function lookWords({ look, string }: Pick<Seen, 'look' | 'string'>, instrument: Instrument | null): string {
  const { title } = LOOK_DATA[look];
  if (string === null) return title;
  return `${title}: ${instrument ? stringNames(instrument)[string]! : String(string + 1)}`;
}

/** Its figures, where there are any: "94°". */
export function figuresWords({ figures }: Pick<Seen, 'figures'>): string {
  return figures.map(({ figure, value }) => measureWords(figure, value, shownUnits().lengths)).join(', ');
}

/** One look in a line: "Bridge, upright: watch it, 92.5°". */
export function findingWords(seen: Seen, instrument: Instrument | null): string {
  const figures = figuresWords(seen);
  return [`${lookWords(seen, instrument)}: ${VERDICT_WORDS[seen.verdict]}`, figures, seen.note]
    .filter((part) => part !== '')
    .join(', ');
}

const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  never: 'Nobody has looked it over yet.',
  time: 'The last whole look is four months back.',
  knock: 'It fell or was knocked',
  journey: 'It came home from a journey',
  strings: 'New strings went on',
  season: 'The heating season has turned.',
  dry: 'Its wood is too dry.',
  damp: 'Its wood is too damp.',
};

/** A reason to look it over: "New strings went on yesterday." */
export function causeWords({ cause, at }: Reason, { nowMs, timeZone }: Moment): string {
  const words = CAUSE_WORDS[cause];
  return words.endsWith('.') ? words : `${words}: ${sinceDayWords(at, nowMs, timeZone)}.`;
}

/** What is found and open, in a line: "Seams (act), Pegs (watch it)". */
export function foundWords(found: readonly Finding[], instrument: Instrument): string {
  return `${found.map((finding) => `${lookWords(finding, instrument)} (${VERDICT_WORDS[finding.verdict]})`).join(', ')}.`;
}

/** What is found and open on a bow that is not in hand: "Spare: stick (act), which you must not play with." */
export function asideWords(name: string, found: readonly Finding[], instrument: Instrument): string {
  const words = foundWords(found, instrument);
  return `${name}: ${words}${found.some(isDanger) ? ' Do not play with it.' : ''}`;
}

/** What must not be played on; null where nothing forbids it. */
export function dangerWords(found: readonly Finding[], instrument: Instrument): string | null {
  const dangers = found.filter(isDanger);
  if (dangers.length === 0) return null;
  return `Do not play it: ${listWords(dangers.map((finding) => lookWords(finding, instrument).toLowerCase()))}.`;
}
