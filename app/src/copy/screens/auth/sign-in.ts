/** What features/auth/SignIn.tsx says. */
export const copy = {
  entriesWait: (count: number) =>
    count === 1
      ? 'One entry recorded here is not sent yet. Sign in to the account it was recorded in.'
      : `${count} entries recorded here are not sent yet. Sign in to the account they were recorded in.`,
  usePasskey: 'Sign in with a passkey',
  forgotIt: 'I forgot the password',
  notHere: (host: string) => `Passkeys hold for a name: open Tembrin at ${host} and do it there.`,
  notGiven: 'No passkey came from this device. Try again, or go on with the password.',
  makeAnAccountInstead: 'Make an account instead',
} as const;
