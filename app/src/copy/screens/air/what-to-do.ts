import { upTo } from '../../numbers';
import { clockSpanWords, dayWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import type { Band } from '@tembrin/core/air';
import type { RoomPlan } from '@tembrin/core/rooms';
import { volumeFigure, volumeUnit, waterWords, vapourFigure, vapourWords } from '@/copy/amounts';
import { humidityWords, temperatureWords, type TemperatureUnit } from '@/copy/measures';
import { tankWords, refillWords } from '@/copy/air-working';

/** What features/air/WhatToDo.tsx says. */
export const copy = {
  whatToDo: 'What to do',
  aCaseFollowsIts: (name: string) =>
    `A case follows its room. Put ${name} right first; in the case, a humidifier or a two-way pack takes up the slack.`,
  sayInWhichRoom: 'Say in which room this case stands, and the water it takes can be reckoned.',
  inAnyCase: 'In any case',
  homeRemediesJourneysGoing: 'Home remedies, journeys, going away',
  howLargeIsThe: 'How large is the room?',
  withItsVolumeThe: 'With its volume the water it takes can be reckoned.',
  sayHowLargeIt: 'Say how large it is',
  nothingReadInThe: 'Nothing read in the last week',
  readAHygrometerHere: 'Read a hygrometer here, and this page has figures.',
  giveItOfWater: (gramsPerDay: number) => `Give it ${waterWords(gramsPerDay)} of water a day`,
  takeOutOfWater: (gramsPerDay: number) => `Take out ${waterWords(gramsPerDay)} of water a day`,
  leaveItAsIt: 'Leave it as it is',
  aRoomHumidifierDoes: 'A room humidifier does it; say in the room’s facts how much one filling holds.',
  itsHumidifierHoldsAnd: (tankG: number, refillHours: number) =>
    `Its humidifier holds ${waterWords(tankG)} and would be empty within ${tankWords(refillHours)}: fill it morning and evening, and look for a larger one.`,
  itsHumidifierHoldsFill: (tankG: number, refillHours: number) =>
    `Its humidifier holds ${waterWords(tankG)}: fill it ${refillWords(refillHours)}.`,
  aDehumidifierDoesIt: 'A dehumidifier does it; until then, air when the hours below say so.',
  itsDehumidifierTakesOut: (dryerG: number) =>
    `Its dehumidifier takes out ${waterWords(dryerG)} a day at most: it cannot keep up alone.`,
  itsDehumidifierManagesIt: (dryerG: number) =>
    `Its dehumidifier manages: it takes out up to ${waterWords(dryerG)} a day.`,
  theComingDaysKeep: (low: number, high: number) =>
    `The coming days keep it within ${humidityWords(low)} to ${humidityWords(high)}.`,
  thatHoldsAt: ({
    targetRh,
    tempC,
    temperatures,
    how,
  }: {
    targetRh: number;
    tempC: number;
    temperatures: TemperatureUnit;
    how: string;
  }) => `That holds ${humidityWords(targetRh)} at ${temperatureWords(tempC, temperatures, 0)}. ${how}`,
  mAirChangedTimes: (volumeM3: number, changesPerHour: number) =>
    `${volumeFigure(volumeM3)} ${volumeUnit()}, air changed ${upTo(changesPerHour, 2)} times an hour`,
  airThatComesIn: 'Air that comes in',
  gmOnceInside: (supplyGm3: number) => `${vapourWords(supplyGm3)} once inside`,
  airThatIsWanted: 'Air that is wanted',
  waterADay: 'Water a day',
  itRestsOn: 'It rests on',
  theComingWeekAt: (station: string | undefined, gainGm3: number) =>
    `the coming week at ${station ?? ''}, and what this room adds: ${vapourWords(gainGm3)}`,
  theWeekJustPast: 'the week just past; no weather is known',
  noWeatherServiceAnswers: 'No weather service answers, so the hours for airing are not known.',
  openingTheWindowsNow: (effect: 'dries' | 'dampens' | 'same', outGm3: number, inGm3: number) =>
    `Opening the windows now ${effect === 'same' ? 'changes little' : effect} (${vapourWords(outGm3)} outside, ${vapourFigure(inGm3)} inside).`,
  airAsYouLike: (here: string) => `${here} Air as you like, shortly.`,
  inTheNextTwo: (here: string) => `${here} In the next two days airing does not help: keep it short.`,
} as const;

/** What to do in a word. */
export const titleWords = (action: RoomPlan['action'], gramsPerDay: number) =>
  ({
    humidify: copy.giveItOfWater(gramsPerDay),
    dehumidify: copy.takeOutOfWater(gramsPerDay),
    leave: copy.leaveItAsIt,
  })[action];

/** How it is done with what stands in the room. */
export function howWords(
  { action, gramsPerDay, refillHours, tankTooSmall }: RoomPlan,
  { tankG, dryerG }: { tankG: number | null; dryerG: number | null },
  ideal: Band,
): string {
  if (action === 'leave') return copy.theComingDaysKeep(ideal.low, ideal.high);
  if (action === 'humidify') {
    if (tankG === null) return copy.aRoomHumidifierDoes;
    return tankTooSmall
      ? copy.itsHumidifierHoldsAnd(tankG, refillHours!)
      : copy.itsHumidifierHoldsFill(tankG, refillHours!);
  }
  if (dryerG === null) return copy.aDehumidifierDoesIt;
  return gramsPerDay > dryerG ? copy.itsDehumidifierTakesOut(dryerG) : copy.itsDehumidifierManagesIt(dryerG);
}

/** When to open the windows. */
export function airingWords({ hours, airing, action }: RoomPlan, nowMs: number, timeZone: string): string {
  const [now] = hours;
  if (!now) return copy.noWeatherServiceAnswers;
  const here = copy.openingTheWindowsNow(now.effect, now.outGm3, now.inGm3);
  if (airing.length === 0) return action === 'leave' ? copy.airAsYouLike(here) : copy.inTheNextTwo(here);
  const spans = airing.map(
    ({ at, until, rhAfter }) =>
      `${dayWords(at, nowMs, timeZone)} ${clockSpanWords(at, until, timeZone)} (to ${humidityWords(rhAfter)})`,
  );
  return `${here} It helps ${listWords(spans.slice(0, 3))}.`;
}

/** The water a day as it is worked out: volume × changes × hours × difference in g/m³, or in ounces a thousand cubic feet. */
export function waterFormula(volumeM3: number, perHour: number, targetGm3: number, supplyGm3: number): string {
  const difference = Math.abs(targetGm3 - supplyGm3);
  const grams = volumeM3 * perHour * 24 * difference;
  const metric = volumeUnit() === 'm³';
  const room = `${volumeFigure(volumeM3)}${metric ? '' : ' ÷ 1000'}`;
  return `${room} × ${upTo(perHour, 2)} × 24 × ${vapourFigure(difference)} = ${metric ? `${Math.round(grams)} g` : waterWords(grams)}`;
}
