import type { Role } from '@tembrin/core/people';

const WILL: Readonly<Record<Role, string>> = {
  keeper: 'You will keep it: everything in it is yours to see and change.',
  player: 'You will see the instruments you play, and put on record what you do with them.',
  helper: 'You will see the instruments you look after, and put on record what is done with them.',
};

/** What the page of an invitation says. */
export const copy = {
  title: 'An invitation',
  to: (household: string) => `To ${household}`,
  as: (person: string) => `As ${person}`,
  will: (role: Role) => WILL[role],
  until: (when: string) => `Good until ${when}.`,
  accept: 'Accept it',
  acceptAs: (email: string) => `You are signed in as ${email}.`,
  signIn: 'Sign in to accept it',
  start: 'Make an account to accept it',
  demo: 'You are looking round the demo library. Sign in, or make an account of your own.',
  noKey: 'This page is opened by a link. The link may have been cut off: copy all of it.',
  looking: 'Looking the invitation up.',
} as const;
