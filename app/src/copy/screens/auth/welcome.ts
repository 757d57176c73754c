/** What features/auth/Welcome.tsx says. */
export const copy = {
  keepsStringInstrumentsPlayable: 'Keeps string instruments playable.',
  startYourOwn: 'Start your own',
  lookRoundTheDemo: 'Look round the demo library',
} as const;

export const PROMISES = [
  ['It measures.', 'Playing time, bowing since the rosin, hours a bow was left tight.'],
  ['It works out.', 'When strings and hair will be spent, as a window with its figures shown.'],
  ['It minds.', 'A closing round, one tap a step, so that nothing is forgotten at night.'],
] as const;
