import { temperatureWords, type TemperatureUnit, warmerWords } from '@/copy/measures';
import { shownUnits } from '@/copy/units';
import { lastingWords, clockWords } from '@/copy/dates';

/** What features/air/Keeping.tsx says. */
export const copy = {
  onTheWayAnd: 'On the way, and left alone',
  aCaseFromThe: 'A case from the cold',
  howColdItWas: (temperatures: TemperatureUnit) => `How cold it was on the way, in °${temperatures}`,
  itIsWarmEnough: 'It is warm enough: open it.',
  theRoomsDewPoint: ({
    sweats,
    dewPointC,
    temperatures,
    openAfterMs,
    openAt,
    timeZone,
  }: {
    sweats: boolean;
    dewPointC: number;
    temperatures: TemperatureUnit;
    openAfterMs: number;
    openAt: number;
    timeZone: string;
  }) =>
    `${sweats ? 'Opened now it would sweat' : 'It would not sweat, but it is still cold'}: the room’s dew point is ${temperatureWords(dewPointC, temperatures)}. Leave it closed for ${lastingWords(openAfterMs)}, until ${clockWords(openAt, timeZone)}.`,
  newtonsCoolingWithA: (warmThroughH: number) =>
    `Newton’s cooling with a time constant of ${warmThroughH} h for this case (from memory); opened when it is within two degrees of the room.`,
  leaveItClosedUntil:
    'Leave it closed until it has warmed through, two to five hours. With a room on record and its temperature read, the time can be told.',
  aParkedCar: 'A parked car',
  inTheSunA: (gainC: number, softensC: number) =>
    `In the sun a car gets about ${warmerWords(gainC)} warmer than the day within the hour; glue softens from ${temperatureWords(softensC, shownUnits().temperatures, 0)}. It comes along when you get out.`,
  todayAtMostOutside: ({
    warmest,
    temperatures,
    inCarC,
    softensC,
  }: {
    warmest: number;
    temperatures: TemperatureUnit;
    inCarC: number;
    softensC: number;
  }) =>
    `Today at most ${temperatureWords(warmest, temperatures, 0)} outside: in the sun a parked car reaches about ${temperatureWords(inCarC, temperatures, 0)}. Glue softens from ${temperatureWords(softensC, temperatures, 0)}${inCarC >= softensC ? ': not even for a minute' : ''}. It comes along when you get out.`,
  aGuitarThatPlays:
    'A guitar that plays differently after a week alone: look at its neck relief first, with the air of that week beside it under Air.',
} as const;
