import { fixed } from '../../numbers';
import { SALT_HOURS } from '@tembrin/core/air';
import { humidityWords, temperatureWords, type TemperatureUnit } from '@/copy/measures';
import { dayWords, clockWords } from '@/copy/dates';

/** What features/air/SaltCheck.tsx says. */
export const copy = {
  writeTheTemperatureIn: 'Write the temperature in the jar.',
  writeWhatItShows: 'Write what it shows in percent, like 73.',
  checkedItsReadingsAre: 'Checked. Its readings are corrected from the next hour on.',
  putTheCheckOn: 'Put the check on record',
  overTheAirHas: ({
    name,
    wanted,
    tempC,
    temperatures,
  }: {
    name: 'Magnesium chloride' | 'Magnesium nitrate' | 'Sodium chloride (table salt)' | 'Potassium chloride';
    wanted: number;
    tempC: number;
    temperatures: TemperatureUnit;
  }) =>
    `Over ${name.toLowerCase()} the air has ${humidityWords(wanted, 1)} at ${temperatureWords(tempC, temperatures, 0)}.`,
  sealedNowItCan: (readyAt: number, nowMs: number, timeZone: string) =>
    `Sealed now, it can be read from ${dayWords(readyAt, nowMs, timeZone)} ${clockWords(readyAt, timeZone)}. Keep salts off metal and strings, and away from children; wash your hands.`,
  itShowsIn: 'It shows, in %',
  withSaltsTrueShown: ({
    salts,
    offset,
    slope,
    uncertainty,
    corrected,
  }: {
    salts: number;
    offset: string;
    slope: number;
    uncertainty: number;
    corrected: number;
  }) =>
    `With ${salts} salts: true = ${offset} % + ${fixed(slope, 3)} × shown, ± ${humidityWords(uncertainty, 1)} at 50 %. 50 % shown is ${humidityWords(corrected, 1)}.`,
  theseSaltsLieToo: (offset: number, uncertainty: number) =>
    `These salts lie too close to each other to tell how it goes over the rest of its scale. It shows ${humidityWords(Math.abs(offset), 1)} too ${offset < 0 ? 'much' : 'little'} there; at 50 % that is ± ${humidityWords(uncertainty, 1)}. Take magnesium chloride for the second.`,
  itShowsTooA: (offset: number, uncertainty: number) =>
    `It shows ${humidityWords(Math.abs(offset), 1)} too ${offset < 0 ? 'much' : 'little'}, ± ${humidityWords(uncertainty, 1)} at 50 %. A second salt within a week adds the slope: magnesium chloride with table salt tells most.`,
} as const;

export const STEPS = [
  'Stir the salt with a few drops of water to a wet slurry in a bottle cap: more salt than water, no lake on top.',
  'Put cap and hygrometer side by side into a jar or a bag that seals. The sensor must never touch the salt.',
  `Seal it and leave it ${SALT_HOURS.least} to ${SALT_HOURS.most} hours where the temperature stays the same, out of the sun.`,
  'Read it through the glass, sealed; write down what it shows and the temperature.',
];
