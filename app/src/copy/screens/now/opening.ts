/** What features/now/Opening.tsx says. */
export const copy = {
  beforeYouPlay: 'Before you play',
  allAsUsualToday: 'All as usual today',
  betweenStickAndHair: 'between stick and hair',
  writeDownTheTurns: 'Write down the turns',
  rosinedTheCountStarts: 'Rosined. The count starts again.',
  howToRosinNew: 'How to rosin new hair',
  writeItDown: 'Write it down',
} as const;
