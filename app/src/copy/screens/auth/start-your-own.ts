/** What features/auth/StartYourOwn.tsx says. */
export const copy = {
  startYourOwn: 'Start your own',
  makeTheAccount: 'Make the account',
  atLeastCharactersA: 'At least 12 characters. A few unrelated words are easy to remember.',
  iHaveAnAccount: 'I have an account: sign in',
} as const;
