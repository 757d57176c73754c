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

/** Home remedies and what Tembrin says of them [handbook 3]. */
export const FOLK_REMEDIES = [
  {
    id: 'dish',
    asked: 'An open dish of water in the case',
    answer: 'No: it spills on the wood. Use a humidifier made for the case, or a two-way pack.',
  },
  {
    id: 'salt',
    asked: 'Salt in the case to dry it',
    answer: 'No: salt corrodes metal, and never with silver-wound strings. Use silica gel or a two-way pack.',
  },
  {
    id: 'lamp',
    asked: 'A warm lamp on a shrunken peg box',
    answer: 'No: hours of heat work against the glue. Raise the humidity over days, or see a luthier.',
  },
] as const;

/** Where an instrument is not put, and how it is kept when it is left [handbook 2.8, 3]. */
export const KEEPING_RULES = [
  { id: 'car', title: 'Parked car', does: 'It comes along when you get out, winter and summer.' },
  { id: 'sun', title: 'Sun through a window', does: 'Out of its path, case too: a dark case heats through.' },
  { id: 'vent', title: 'Radiator, vent, fireplace, lamp', does: 'Two metres away, and not in the draught of a vent.' },
  { id: 'wall', title: 'Outside wall', does: 'A hand’s breadth off it: cold walls are damp.' },
  { id: 'away', title: 'Away for a week or more', does: 'In its closed case, whatever it stands on otherwise.' },
] as const;
