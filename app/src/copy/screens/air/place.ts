import { humidityWords } from '@/copy/measures';
import { dateWords } from '@/copy/dates';

/** What features/air/PlaceScreen.tsx says. */
export const copy = {
  airToMean: (low: number, high: number, rh: number) =>
    `air ${humidityWords(low)} to ${humidityWords(high)}, mean ${humidityWords(rh)}`,
  woodStandsAt: (stands: number) => `; wood stands at ${humidityWords(stands)}`,
  theWoodOf: (name: string) => `the wood of ${name}`,
  aThinPlateLying: 'a thin plate lying bare',
  aThinPlateIn: 'a thin plate in it',
  whatToDo: 'What to do',
  nothingReadHereYet: 'Nothing read here yet',
  readAHygrometerImport:
    'Read a hygrometer, import a logger’s file, or let one send. From then on this shows what the wood makes of it.',
  readAHygrometer: 'Read a hygrometer',
  aYearOfAir: (name: string) => `${name}, a year of air`,
  theYearBefore: 'The year before',
  theYearAfter: 'The year after',
  withoutTheTable: 'Without the table',
  asATable: 'As a table',
  whoLivesHere: 'Who lives here',
  theLastThirtyDays: 'The last thirty days',
  fromLowToHigh: 'From low to high in a day',
  fromLowToHighIn: 'From low to high in the month',
  greatestChangeWithinH: 'Greatest change within 24 h',
  hoursInsideTheBand: 'Hours inside the band',
  outsideTheBand: 'Outside the band',
  harmlessByItself: ', harmless by itself',
  hourByHour: (at: number, nowMs: number, timeZone: string) => `${dateWords(at, nowMs, timeZone)}, hour by hour`,
  touchItToRead: 'Touch it to read an hour.',
} as const;
