/** What features/part/PartActions.tsx says. */
export const copy = {
  lookedItOverStill: 'Looked it over, still good',
  theLookAtThe: 'The look at the hair is on record.',
  changeThemStepBy: 'Change them step by step',
  itsWoodAndWhat: 'Its wood and what to do',
  rosinedTheCountStarts: 'Rosined. The count starts again.',
  wipedAllZonesAre: 'Wiped. All zones are clean.',
} as const;
