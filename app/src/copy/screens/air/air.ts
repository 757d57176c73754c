import { humidityWords } from '@/copy/measures';

/** What features/air/Air.tsx says. */
export const copy = {
  readAHygrometer: 'Read a hygrometer',
  addARoomOr: 'Add a room or a case',
  addARoom: 'Add a room',
  fetchingTheAir: 'Fetching the air …',
  outOfReachAnd: 'Out of reach, and nothing is kept here yet.',
  outOfReachThis: (sensors: number) =>
    `Out of reach: this is as of the last connection.${sensors > 0 ? ` ${sensors} of your readings wait to be sent.` : ''}`,
  noRoomsYet: 'No rooms yet',
  sayInWhichRoom:
    'Say in which room your instrument lives and read a hygrometer there. Tembrin works out what the wood makes of it, and how much water it takes.',
  lookAtIt: 'Look at it',
  roomsAndCases: 'Rooms and cases',
  noneYetOneRead: 'None yet. One read by hand is enough.',
  onRecordSaltCheck: (sensors: number) => `${sensors} on record. Salt check, files of loggers, keys.`,
  onTheWayAndLeft: 'On the way, and left alone',
  carColdSunAnd: 'Car, cold, sun and walls; when a cold case may be opened; home remedies.',
  movingBetweenClimates: 'Moving between climates',
  fromDryToDamp: 'From dry to damp or back in steps the wood can take, with dates.',
  noInstrumentLivesHere: 'No instrument lives here.',
  actTodayFor: (list: string) => `Act today for ${list}.`,
  nothingReadYet: 'Nothing read yet',
  theWoodHereIs: 'The wood here is not known',
  woodHereStandsWhere: (plank: number) => `Wood here stands where ${humidityWords(plank)} would hold it`,
} as const;
