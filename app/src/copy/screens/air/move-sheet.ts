/** What features/air/MoveSheet.tsx says. */
export const copy = {
  addARoom: 'Add a room',
  thereIsNoRoom: 'There is no room on record yet. Add the one it lives in.',
  awayFromHome: 'Away from home',
  howItIsKept: 'How it is kept there',
  inItsClosedCase: 'In its closed case',
  inTheOpen: 'In the open',
} as const;
