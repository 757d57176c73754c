/** What features/part/PartScreen.tsx says. */
export const copy = {
  nothingOfTheKind: 'Nothing of the kind',
  startNotKnown: 'start not known',
  whatIsOnAndWhat: 'What is on, and what it pulls',
  stringByStringAnother: 'String by string; another set compared; a broken one; tuning.',
  whatWouldChangeIt: 'What would change it',
} as const;
