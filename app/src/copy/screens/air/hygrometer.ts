import { humidityWords, temperatureWords, type TemperatureUnit } from '@/copy/measures';
import { dateWords } from '@/copy/dates';

/** What features/air/HygrometerScreen.tsx says. */
export const copy = {
  inHoursThatBoth: ({ hours, difference, name, sd }: { hours: number; difference: number; name: string; sd: number }) =>
    `In ${hours} hours that both read, this one showed ${humidityWords(Math.abs(difference), 1)} ${difference < 0 ? 'less' : 'more'} than ${name} (± ${humidityWords(sd, 1)}), after correction.`,
  theyHaveNotRead: `They have not read in the same hours often enough. Let them hang side by side for a day.`,
  importAFile: 'Import a file',
  isItRight: 'Is it right?',
  overAWetSalt:
    'Over a wet salt in a sealed jar the air has a humidity that is known. One salt gives an offset, two an offset and a slope.',
  checkItOverSalt: 'Check it over salt',
  showedOverAt: ({
    at,
    nowMs,
    timeZone,
    shownRh,
    name,
    tempC,
    temperatures,
  }: {
    at: number;
    nowMs: number;
    timeZone: string;
    shownRh: number;
    name: 'Magnesium chloride' | 'Magnesium nitrate' | 'Sodium chloride (table salt)' | 'Potassium chloride';
    tempC: number;
    temperatures: TemperatureUnit;
  }) =>
    `${dateWords(at, nowMs, timeZone)}: showed ${humidityWords(shownRh, 1)} over ${name.toLowerCase()} at ${temperatureWords(tempC, temperatures, 0)}`,
  takeBackTheCheck: (at: number, nowMs: number, timeZone: string) =>
    `Take back the check of ${dateWords(at, nowMs, timeZone)}`,
  theCheckIsTaken: 'The check is taken back.',
  whereItHangs: 'Where it hangs',
  whatItReadStays: 'What it read stays with the place where it read it.',
  fromTheNextHour: 'From the next hour on it reads there.',
  removeThisHygrometer: 'Remove this hygrometer',
  removeItAndIts: 'Remove it and its readings',
  itsReadingsGoWith: (readings: number) => `Its ${readings} readings go with it, and cannot be brought back.`,
  whatItShowed: 'What it showed',
  takeBackTheReading: (when: string) => `Take back the reading of ${when}`,
  theReadingIsTaken: 'The reading is taken back.',
  itHasANew: 'It has a new key. The old one no longer works.',
  aSimulatedHygrometerSends: 'A simulated hygrometer sends for it now, every few seconds.',
  howItSends: 'How it sends',
  aSenmlPackRfc: (origin: string, apiRoot: string, id: string) =>
    `A SenML pack (RFC 8428) to ${origin}${apiRoot}/sensors/${id}/senml, with the key as “Authorization: Bearer …”. Units %RH, Cel, %EL.`,
  itsKeyShownThis: 'Its key, shown this once. Write it into the hygrometer now.',
  itHasAKey: 'It has a key. Keys are shown once, when they are made.',
  itHasNoKey: 'It has no key: nothing can send for it.',
  makeANewKey: 'Make a new key',
  makeAKey: 'Make a key',
  revokeTheKey: 'Revoke the key',
  itsKeyIsRevoked: 'Its key is revoked.',
  tryItWithA: 'Try it with a simulated one',
  letASimulatedHygrometer: 'Let a simulated hygrometer send',
} as const;
