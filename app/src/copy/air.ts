import { dateWords, dayWords, lastingWords } from './dates';
import { humidityWords, movedWords, type LengthUnit } from './measures';
import { listWords, type Moment } from './lists';
import type { AirVerdict, Band, Effect, OutSide } from '@tembrin/core/air';
import { recordOf, type WoodPartId, type InstrumentFacts } from '@tembrin/core/instruments';

/** A band as "40 to 60 %". */
export const bandWords = ({ low, high }: Band) => `${Math.round(low * 100)} to ${Math.round(high * 100)} %`;

/** What a part is called on an instrument. */
export function woodPartName(part: WoodPartId, { family }: Pick<InstrumentFacts, 'family'>): string {
  if (part === 'fretboard') return recordOf(family).fretted ? 'Fretboard' : 'Fingerboard';
  if (part === 'top' && recordOf(family).strings.bears === 'soundboard') return 'Soundboard';
  return { top: 'Top', back: 'Back', neck: 'Neck' }[part];
}

const EFFECT_WORDS: Readonly<Record<Effect, string>> = {
  'pegs-slip': 'pegs that slip',
  'pegs-stick': 'pegs that stick',
  seams: 'open seams',
  cracks: 'cracks',
  'sharp-frets': 'sharp fret ends',
  'low-action': 'low action and buzz',
  'high-action': 'high action',
  relief: 'changed neck relief',
  glue: 'weakened glue and mould',
};

export const effectsWords = (effects: readonly Effect[]) => listWords(effects.map((effect) => EFFECT_WORDS[effect]));

const SIDE_WORDS: Readonly<Record<OutSide, { adjective: string; moves: string }>> = {
  dry: { adjective: 'dry', moves: 'shrunk' },
  damp: { adjective: 'damp', moves: 'swollen' },
};

/** The verdict on an instrument's air, in one sentence with its figures. */
export function verdictSentence(
  verdict: AirVerdict,
  facts: Pick<InstrumentFacts, 'family'>,
  { nowMs, timeZone }: Moment,
  lengths: LengthUnit,
): string {
  const { why, side, body, band, limitAt, backAt, lastAt, excursion, effects } = verdict;
  switch (why) {
    case 'no-place':
      return 'Nobody has said where it lives. Say so, and its air can be judged.';
    case 'place-unknown':
      return 'Of the place it lives in nothing is known here: its air is still being fetched, or the place was removed.';
    case 'no-readings':
      return 'Nothing has been read where it lives. Read a hygrometer there.';
    case 'stale':
      return `Last read ${lastAt === null ? 'long ago' : dayWords(lastAt, nowMs, timeZone)}: too long ago to judge. Read the hygrometer again.`;
    default:
      break;
  }
  if (!body) return '';
  const part = woodPartName(body.part.id, facts).toLowerCase();
  const { adjective, moves } = SIDE_WORDS[side ?? (body.mm < 0 ? 'dry' : 'damp')];
  const moved = `the ${part} has ${moves} by ${movedWords(body.mm, lengths)}`;
  const stands = `Its wood stands where ${humidityWords(body.restRh)} would hold it`;
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  const rests = verdict.ahead === 'forecast' ? 'with the weather that is coming' : 'if the air stays as it is';
  switch (why) {
    case 'outside':
      return `Too ${adjective}: ${moved}. ${stands}, outside ${bandWords(band)}.${effects.length > 0 ? ` Look for ${effectsWords(effects)}.` : ''}`;
    case 'recovering':
      return `Still ${adjective}, on its way back: ${moved}. It is within ${bandWords(band)} again about ${date(backAt!)}, ${rests}.`;
    case 'reaching':
      return `Getting ${adjective}: ${moved}. It reaches the edge of ${bandWords(band)} about ${date(limitAt!)}, ${rests}.`;
    case 'sustained':
      return `The air has been ${adjective} for ${lastingWords(excursion!.to - excursion!.from)}; the wood still follows. ${stands}, within ${bandWords(band)}.`;
    default:
      return `${stands}, within ${bandWords(band)}.${limitAt !== null ? ` At this rate it would reach the edge about ${date(limitAt)}.` : ''}`;
  }
}
