import { dayWords } from '@/copy/dates';

/** What features/bench/Bench.tsx says. */
export const copy = {
  photo: 'Measure by photo',
  photoText: 'Bow gap, bridge lean, hair, camber, or a length beside a bank card.',
  gauge: 'Gauge at true size',
  gaugeText: 'This screen as a ruler, a bow gap, a right angle: matched once against a card.',
  wrong: 'Something is wrong',
  wrongText: 'From what you hear, see or feel to the cause: what to look at, who mends it, how soon.',
  jobs: 'Jobs, step by step',
  jobsText: 'Bridge, pegs, seams, wet or fallen, a new instrument: guided, hands busy.',
  jobUnderWay: (title: string) => `Under way: ${title}.`,
  lookItOver: 'Look it over',
  bridgeStringsHair: 'Bridge, strings, hair, seams: three looks, or all in ten minutes.',
  whatMayIUse: 'What may I use on this?',
  chooseASurfaceAnd: 'Choose a surface and what is in your hand: allowed, only so, or never, and why.',
  underWaySinceTake: (at: number, nowMs: number, timeZone: string) =>
    `Under way since ${dayWords(at, nowMs, timeZone)}: take it up where you left it.`,
  stepByStepWith: 'Step by step with hands busy, over a sitting or over days.',
  tuneAndSettle: 'Tune and settle',
  centsAgainstYourOwn: 'Cents against your own A; when new strings will hold.',
  bowLooseThingsLatches: 'Bow, loose things, latches, car: looked at in a minute.',
  rosinThatIsNot: 'Rosin that is not everyday',
  closingRoundsAndDrills: (days: number) =>
    `Closing rounds and drills of the last ${days} days. The round gives a step more room while it keeps being missed.`,
  stepsMissedLately: 'Steps missed lately',
} as const;
