/** What features/auth/SignIn.tsx says. */
export const copy = {
  entriesWait: (count: number) =>
    count === 1
      ? 'One entry recorded here is not sent yet. Sign in to the account it was recorded in.'
      : `${count} entries recorded here are not sent yet. Sign in to the account they were recorded in.`,
  makeAnAccountInstead: 'Make an account instead',
} as const;
