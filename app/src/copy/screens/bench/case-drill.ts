/** What features/bench/CaseDrill.tsx says. */
export const copy = {
  shutTheLid: 'Shut the lid',
  nothingWasMissedNow: 'Nothing was missed. Now it may shut.',
  wrongInThisCase: 'Wrong in this case',
} as const;
