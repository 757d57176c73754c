import { fixed } from './numbers';
import { dateWords, dayWords, lastingWords, sinceDayWords } from './dates';
import { humidityWords, movedWords, movementWords, type LengthUnit, lengthWords, temperatureWords } from './measures';
import { shownUnits } from './units';
import { listWords, type Moment } from './lists';
import {
  BANDS,
  type AirState,
  type AirVerdict,
  type Band,
  type Effect,
  type OutSide,
  type SensorFault,
} from '@tembrin/core/air';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import { recordOf, SPECIES, type WoodPartId, type InstrumentFacts } from '@tembrin/core/instruments';

export const AIR_STATE_NAMES: Readonly<Record<AirState, string>> = {
  fine: 'Fine',
  watch: 'Watch',
  act: 'Act today',
  unknown: 'Not known',
};

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

/** The working of a verdict: its figures, the rule, the school. */
export function verdictFigures(
  verdict: AirVerdict,
  facts: Pick<InstrumentFacts, 'family'>,
  { nowMs, timeZone }: Moment,
  lengths: LengthUnit,
): (readonly [string, string])[] {
  const { body, parts, band, dayRh, weekRh, driftWeek, limitAt, backAt, lastAt, cased, excursion } = verdict;
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  const signed = (share: number) => `${share < 0 ? '−' : '+'}${fixed(Math.abs(share * 100), 1)} %`;
  return [
    ['Verdict', AIR_STATE_NAMES[verdict.state]],
    ...(lastAt === null ? [] : [['Last read', dayWords(lastAt, nowMs, timeZone)] as const]),
    ...(dayRh === null ? [] : [['Air of the last day', humidityWords(dayRh, 1)] as const]),
    ...(weekRh === null ? [] : [['Air of the last week', humidityWords(weekRh, 1)] as const]),
    ...(body
      ? ([
          ['Wood stands as in', humidityWords(body.restRh, 1)],
          ['Drift in seven days', signed(driftWeek)],
        ] as const)
      : []),
    ['Band', bandWords(band)],
    ...(limitAt === null ? [] : [['Reaches the edge', date(limitAt)] as const]),
    ...(backAt === null ? [] : [['Back inside', date(backAt)] as const]),
    ...(excursion
      ? ([
          ['Outside since', `${date(excursion.from)}, ${excursion.kind}, worst ${humidityWords(excursion.worst)}`],
        ] as const)
      : []),
    ...parts.map(
      ({ part, moisture, mm, extrapolated }) =>
        [
          `${woodPartName(part.id, facts)}, ${lengthWords(part.widthMm, lengths)} of ${SPECIES[part.species].name}`,
          `${fixed(moisture * 100, 1)} % water, ${movementWords(mm, lengths)}${extrapolated ? ' (extrapolated)' : ''}`,
        ] as const,
    ),
    ...(parts.some(({ part }) => part.widthOfUsualSize)
      ? ([
          ['Widths', 'Of the usual size: none is known for this one, so movements are too large or too small'],
        ] as const)
      : []),
    [
      'Follows the air in',
      parts
        .map(({ part }) => `${woodPartName(part.id, facts).toLowerCase()} ${cased ? part.casedDays : part.bareDays} d`)
        .join(', '),
    ],
  ];
}

/** How the verdict is reckoned. */
export const airRule = () =>
  `Each part follows its surface’s equilibrium moisture with a lag (Wood Handbook, eq. 4-5; time constants from memory). The verdict looks at the lagged wood, not at the reading. Movement is width × coefficient × change of moisture (eq. 13-2), counted from 50 % at ${temperatureWords(20, shownUnits().temperatures, 0)}.`;

/** Whose band it is. */
export function airSchoolWords({ school, steady, band }: AirVerdict): string {
  if (school === 'A')
    return `School A, balanced: ${bandWords(BANDS.A.ideal)} is ideal, ${bandWords(BANDS.A.acceptable)} acceptable.`;
  if (school === 'B')
    return `School B, some guitar technicians: ${bandWords(BANDS.B.ideal)} is ideal, ${bandWords(BANDS.B.acceptable)} acceptable.`;
  if (!steady)
    return `School C, steadiness: no fixed level. Until more is known, ten percent to either side of the mean: ${bandWords(band)}.`;
  const basis =
    steady.basis === 'record'
      ? 'the band is that of its own record (EN 15757)'
      : 'ten percent to either side, until thirteen months are on record (EN 15757)';
  return `School C, steadiness: its place’s level these weeks is ${humidityWords(steady.level)}; ${basis}.`;
}

/** What a hygrometer's own data says against it. */
export function faultWords(fault: SensorFault, { nowMs, timeZone }: Moment): string {
  switch (fault.code) {
    case 'stuck':
      return `It has shown ${humidityWords(fault.rh, 1)} for ${Math.round(fault.hours)} hours without moving: it is stuck. Take it out, let it stand in another room, then check it over salt.`;
    case 'absurd':
      return `It shows ${humidityWords(fault.rh, 1)}, which no room has: the sensor is broken or wet.`;
    case 'silent':
      return `Nothing came from it since ${sinceDayWords(fault.lastAt, nowMs, timeZone)}. Look at its power and its key.`;
    case 'battery':
      return `Its battery is at ${Math.round(fault.percent)} %. Change it before the record breaks off.`;
  }
}

/** How long a tank lasts: "7 hours", "3 days". */
export function tankWords(hours: number): string {
  if (hours < 36) return `${Math.max(1, Math.round(hours))} hours`;
  return `${Math.round((hours * HOUR_MS) / DAY_MS)} days`;
}

/** Refilling: how often a tank has to be filled. */
export function refillWords(hours: number): string {
  return `every ${tankWords(hours)}`;
}

/** Instruments nothing has to be done for: "Heron and Wren are fine." */
export function quietWords(names: readonly string[], judged: boolean): string {
  if (!judged) return `${listWords(names)}: not judged yet.`;
  return `${listWords(names)} ${names.length > 1 ? 'are' : 'is'} fine.`;
}
