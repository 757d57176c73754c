/** What features/kit/HouseholdScreen.tsx says. */
export const copy = {
  thisIsYourOwn: 'This is your own copy of the demo library. Change what you like; it is cleared away after two days.',
  daysBeginAndEnd: 'Days begin and end by it, like Europe/Lisbon.',
  wherePractitionersDifferThe: 'Where practitioners differ: the sides, the usual one, and the one you take.',
  lengthsOnThisDevice: 'Lengths on this device',
  temperaturesOnThisDevice: 'Temperatures on this device',
  lookOnThisDevice: 'Look on this device',
  theDemoLibraryHas: 'The demo library has no account.',
  peopleText: 'Who keeps, plays and helps here, with an account or without.',
  remindersText: 'What you were told, when you are told, and how.',
  accountText: 'Password, passkeys, where it is signed in, what was done to it.',
  leaveTheDemoLibrary: 'Leave the demo library',
  notEverythingIsSent: 'Not everything is sent',
  signOutAllThe: 'Sign out all the same',
  onlyOnThisDevice: (unsent: number) =>
    `${unsent} ${unsent === 1 ? 'entry is' : 'entries are'} only on this device so far. They stay here and are sent when you sign in again on it.`,
} as const;

export const LOOKS = [
  { value: 'device', title: 'As the device' },
  { value: 'day', title: 'Light' },
  { value: 'night', title: 'Dark' },
] as const;
