/** What features/air/PlaceForm.tsx says. */
export const copy = {
  writeANumberOr: 'Write a number, or leave it empty.',
  isOnRecord: (name: string) => `${name} is on record.`,
  aRoomOrA: 'A room or a case',
  removeThisPlace: 'Remove this place',
  whatItIs: 'What it is',
  aCaseWithIts: 'A case with its own hygrometer',
  theRoomItStands: 'The room it stands in',
  whoMovesInNow: 'Who moves in now',
  whoLivesHere: 'Who lives here',
  howTheyAreKept: 'How they are kept here',
  inClosedCases: 'In closed cases',
  inTheOpen: 'In the open',
  volumeIn: (unit: string) => `Volume in ${unit}`,
  lengthWidthHeightIn: (unit: string) =>
    `Length × width × height, in ${unit === 'ft³' ? 'feet' : 'metres'}. It tells how much water the room takes.`,
  howDraughtyItIs: 'How draughty it is',
  heatedInTheSeason: 'Heated in the season',
  heatingComesOnIn: 'Heating comes on in',
  andIsOnUntil: 'and is on until the end of',
  humidifierWaterOfOne: (unit: string) => `Humidifier: water of one filling, in ${unit}`,
  leaveItEmptyWhere: 'Leave it empty where there is none.',
  dehumidifierWaterADay: (unit: string) => `Dehumidifier: water a day at most, in ${unit}`,
  aCaseWithoutA:
    'A case without a hygrometer of its own needs no entry: say of the instrument that it lies in its case.',
} as const;
