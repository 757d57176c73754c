/** What features/part/PartActions.tsx says. */
export const copy = {
  lookAtTheBow: 'Look at the bow',
  foundIsSeenTo: 'What was found is seen to',
  foundWasSeenTo: 'On record: what was found is seen to.',
  lookedItOverStill: 'Looked it over, still good',
  stillGood: { hair: 'The look at the hair is on record.', strings: 'On record: the strings are still good.' },
  changeThemStepBy: 'Change them step by step',
  itsWoodAndWhat: 'Its wood and what to do',
  rosinedTheCountStarts: 'Rosined. The count starts again.',
  wipedAllZonesAre: 'Wiped. All zones are clean.',
} as const;
