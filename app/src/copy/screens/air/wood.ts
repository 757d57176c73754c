import { humidityWords, movementWords, type LengthUnit, lengthWords } from '@/copy/measures';
import { sinceDayWords } from '@/copy/dates';
import { airSchoolWords } from '@/copy/air-working';
import { type AirVerdict } from '@tembrin/core/air';

/** What features/air/Wood.tsx says. */
export const copy = {
  woodStandsAt: (wood: number) => `; wood stands at ${humidityWords(wood)}`,
  inItsCase: ', in its case',
  awayFromHome: 'Away from home.',
  thePlaceItLived: 'The place it lived in was removed.',
  nobodyHasSaidWhere: 'Nobody has said where it lives.',
  whatToDo: 'What to do',
  sayWhereItLives: 'Say where it lives',
  standsWhereWouldHold: (woodPart: string, restRh: number) =>
    `${woodPart}: stands where ${humidityWords(restRh)} would hold it`,
  notPlayedSinceIf: (sinceAt: number, nowMs: number, timeZone: string) =>
    `Not played since ${sinceDayWords(sinceAt, nowMs, timeZone)}. If it plays differently now, look at the neck relief first: the neck moves while it lies.`,
  measureTheRelief: 'Measure the relief',
  thirteenWeeksOfAir: (name: string) => `Thirteen weeks of air and wood of ${name}`,
  theClosedCaseSlows: 'The closed case slows the air: its wood follows in one to two weeks.',
  movesToAnotherPlace: (name: string) => `It moves: ${name} to another place`,
  sayWhereLives: (name: string) => `Say where it lives: ${name}`,
  ofMmWater: ({
    mm,
    lengths,
    widthMm,
    waterPercent,
  }: {
    mm: number;
    lengths: LengthUnit;
    widthMm: number;
    waterPercent: string;
  }) => `${movementWords(mm, lengths)} of ${lengthWords(widthMm, lengths)}; ${waterPercent} % water`,
  itMayShowAs: (effects: string) => `It may show as ${effects}.`,
  chooseUnderSchoolsTembrin: (verdict: AirVerdict) =>
    `${airSchoolWords(verdict)} Choose under Schools. Tembrin advises; cracks and open seams are a luthier’s.`,
} as const;
