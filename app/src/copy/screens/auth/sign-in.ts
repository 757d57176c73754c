/** What features/auth/SignIn.tsx says. */
export const copy = {
  makeAnAccountInstead: 'Make an account instead',
} as const;
