/** What features/look/FindingsScreen.tsx and LookScreen.tsx say. */
export const copy = {
  title: 'Looked over',
  open: 'Open',
  nothingOpen: 'Nothing is open',
  nothingOpenText: 'What is found when it is looked over stands here until it is seen to.',
  looks: 'Every look',
  neverLooked: 'Not looked at yet',
  lookItOver: 'Look it over',
  plate: (count: number) => `${count} found and open`,
  seen: (words: string, when: string) => `${words}, ${when}`,
  line: 'Every time it was looked at',
  lookAgain: 'Look again',
  settle: 'It is seen to',
  settled: {
    mended: 'Mended. It is on record.',
    'seen-to': 'Seen to. It is on record.',
    'false-alarm': 'A false alarm. It is on record.',
  },
  settledOn: (how: string, when: string) => `${how} ${when}`,
  howItIsLookedAt: 'How it is looked at',
  by: { child: 'by a child', player: 'by the player', teacher: 'by a teacher' },
  photos: 'Photos',
  photosText: (count: number) =>
    count === 0 ? 'None yet.' : count === 1 ? 'One on record.' : `${count} on record, to be held side by side.`,
  pointAt: 'Tap the plate where something is wrong, or choose below.',
} as const;
