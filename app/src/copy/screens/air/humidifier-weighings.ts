import { waterFigure, waterUnit, waterWords } from '@/copy/amounts';
import { dateWords } from '@/copy/dates';
import { fixed } from '@/copy/numbers';

/** What features/air/HumidifierWeighings.tsx says. */
export const copy = {
  itGivesADay: ({
    gramsPerDay,
    fillings,
    dryAt,
    nowMs,
    timeZone,
  }: {
    gramsPerDay: number;
    fillings: number;
    dryAt: null | number;
    nowMs: number;
    timeZone: string;
  }) =>
    `It gives ${waterWords(gramsPerDay)} a day (${fillings} ${fillings === 1 ? 'filling' : 'fillings'}). ${dryAt === null ? 'Weigh it once dry, and it can be told when it runs out.' : dryAt <= nowMs ? `It has been dry since about ${dateWords(dryAt, nowMs, timeZone)}: fill it.` : `It runs dry about ${dateWords(dryAt, nowMs, timeZone)}.`}`,
  weighItWhenIt:
    'Weigh it when it is filled and when it is taken out again: that gives grams a day, and the date it runs dry.',
  humidifierInTheCase: (name: string) => `Humidifier in the case of ${name}`,
  weighTheHumidifierOf: (name: string) => `Weigh it: the humidifier of ${name}`,
  writeItsWeightIn: (unit: string) => `Write its weight in ${unit}, like ${fixed(unit === 'oz' ? 1.5 : 42.5, 1)}.`,
  gIsOnRecord: (grams: number) => `${waterFigure(grams)} ${waterUnit()} is on record.`,
  theHumidifierOnThe: 'The humidifier on the scales',
  howItIsNow: 'How it is now',
  weightIn: (unit: string) => `Weight in ${unit}`,
} as const;

export const KINDS = [
  { value: 'before' as const, title: 'As taken out' },
  { value: 'filled' as const, title: 'Filled again' },
  { value: 'empty' as const, title: 'Dry, without water' },
];
