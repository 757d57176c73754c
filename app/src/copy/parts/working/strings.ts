import { fixed } from '../../numbers';
import type { Instrument } from '@tembrin/contract';
import { dateWords } from '../../dates';
import type { Moment } from '../../lists';
import type { Figure, PartWorking } from '../part-copy';
import { clockFigures, paceFigures, percent, spreadWords, verdictFigure, windowFigures } from './figures';
import { recordOf, stringNames } from '@tembrin/core/instruments';
import { NEXT_LOG_SD, ONE_PLAYER, PLAYERS_SHARE } from '@tembrin/core/wear';
import type { StringsThread } from '@tembrin/core/parts';

const SWEAT_WORDS = { low: 'dry', usual: 'ordinary', corrosive: 'corrosive' } as const;

/** Strings of different fittings that are listed one by one. */
const LISTED = 12;

function handsFigure({ kind, factor, own }: StringsThread['hands']): Figure {
  const words = kind ? SWEAT_WORDS[kind] : 'they differ, each counts by how much they play';
  return [own ? 'Hands of who plays it' : 'Your hands', `${words}: life × ${fixed(factor, 2)} (from memory)`];
}

/** What stretches the rule for this player: hands, cloth, and what was learned. */
function livedFigures({ factor, elsewhere, hands, wiping }: StringsThread): readonly Figure[] {
  const others = factor.seen > factor.worn ? ` and ${factor.seen - factor.worn} for other reasons` : '';
  return [
    handsFigure(hands),
    [
      'Your cloth',
      wiping
        ? `wiped after ${percent(wiping.share)} of ${wiping.sessions} sessions: life × ${fixed(wiping.factor, 2)} (${fixed(0.85, 2)} to ${fixed(1.1, 2)}, from memory)`
        : 'not known yet: fewer than 8 closing rounds on record',
    ],
    [
      'Learned from your changes',
      factor.seen === 0
        ? 'nothing yet; the rule’s own spread'
        : `life × ${fixed(factor.median, 2)}, from ${factor.worn} changed because worn${others}`,
    ],
    ...(elsewhere ? [['Learned on other instruments', elsewhereWords(elsewhere)] as const] : []),
  ];
}

/** What the player's other instruments add, and how far they are trusted. */
function elsewhereWords({ worn, instruments }: NonNullable<StringsThread['elsewhere']>): string {
  const on = instruments === 1 ? 'another' : `${instruments} others`;
  return `${worn} changed because worn on ${on}: counts ${percent(PLAYERS_SHARE)} as the player’s own, with ${percent(ONE_PLAYER)} that one person plays both (from memory)`;
}

/** Each string by itself, where they differ. */
function eachFigures({ on }: StringsThread, instrument: Instrument, { nowMs, timeZone }: Moment): readonly Figure[] {
  if (on.every(({ fitting }) => fitting === on[0]?.fitting)) return [];
  const names = stringNames(instrument);
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  return on.slice(0, LISTED).map(({ position, fitting, window }): Figure => {
    const spent = window ? `, spent about ${date(window.middle)}` : '';
    const fitted = fitting ? `fitted ${date(fitting.at)}${fitting.known ? '' : ' or earlier'}${spent}` : 'not known';
    return [`${names[position]} string`, fitted];
  });
}

function learnedWords({ factor, elsewhere }: StringsThread): string {
  if (factor.seen > 0)
    return 'Your own changes have narrowed and moved the window: those because worn count fully, others say “at least so long”.';
  if (elsewhere)
    return 'Until its own changes are on record, those on your other instruments move the window, by half of what they say at most.';
  return spreadWords(NEXT_LOG_SD);
}

/** How the thread comes about. */
export const stringsWorking: PartWorking<'strings'> = (thread, { pace, instrument, moment }) => ({
  figures: [
    verdictFigure(thread),
    ...(thread.window ? clockFigures(thread.clock, pace) : []),
    ...livedFigures(thread),
    ...paceFigures(pace),
    ...windowFigures(thread, moment),
    ...eachFigures(thread, instrument, moment),
  ],
  rule: `Wear is hours ÷ H plus days ÷ D, and a string is spent at 1. ${learnedWords(thread)} Where strings differ, the one spent first decides.`,
  school:
    thread.basis === 'default'
      ? 'The trade has no agreed figure for these strings; this is a stated default until your own changes are on record.'
      : recordOf(instrument.family).strings.rule,
  changes: [
    'Fitting new strings starts the thread again.',
    'Looked over and still good: they last at least so long.',
    'Playing more brings the window nearer; playing less moves it away.',
    'A frayed or false string is changed now, whatever the figures say.',
  ],
});
