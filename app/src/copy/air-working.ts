import { bandWords, woodPartName } from './air';
import { dateWords, dayWords, sinceDayWords } from './dates';
import { listWords, type Moment } from './lists';
import { humidityWords, lengthWords, movementWords, temperatureWords, type LengthUnit } from './measures';
import { fixed } from './numbers';
import { shownUnits } from './units';
import { BANDS, type AirState, type AirVerdict, type SensorFault } from '@tembrin/core/air';
import { SPECIES, type InstrumentFacts } from '@tembrin/core/instruments';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';

export const AIR_STATE_NAMES: Readonly<Record<AirState, string>> = {
  fine: 'Fine',
  watch: 'Watch',
  act: 'Act today',
  unknown: 'Not known',
};

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
