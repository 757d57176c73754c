import type { Instrument } from '@tembrin/contract';
import { LOOK_DATA, stringNames, type Verdict } from '@tembrin/core/instruments';
import type { Finding, Settled } from '@tembrin/core/log';
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

/** What was looked at: "Bridge, upright", "Strings: A". */
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
