import type { Ways } from '@tembrin/core/people';
import { SWEAT_TITLES } from '../strings/hands';

/** What somebody said of themselves, in a line. */
export function waysWords({ schools = {}, hands = null }: Ways): string {
  const own = Object.keys(schools).length;
  const words = [
    own > 0 ? `Their own way in ${own}` : 'As the household',
    hands ? SWEAT_TITLES[hands].toLowerCase() : 'nobody said of their hands',
  ];
  return `${words.join('; ')}.`;
}

/** What the page of a person says. */
export const copy = {
  newPerson: 'Add a person',
  name: 'Name',
  nameHint: 'As you call them; it stands with what they do.',
  role: 'What they do here',
  plays: 'Plays',
  looksAfter: 'Looks after for others',
  addIt: 'Add them',
  save: 'Save',
  saved: 'Changed.',
  added: (name: string) => `${name} is here.`,
  playing: 'How much they play',
  played: (name: string, hours: string) => `${name}: ${hours} in the last three months.`,
  ways: 'Schools and hands',
  account: 'Signing in',
  signsIn: (name: string) => `${name} signs in with an account of their own.`,
  noAccount: (name: string) => `${name} has no account. At the stand, tap their name.`,
  demo: 'From the demo library nobody is invited. Start your own to do so.',
  invite: 'Invite them',
  inviteText: 'With the link they sign in by themselves. It is good for seven days and one person.',
  inviteAddress: 'Email, to send it',
  send: 'Send the invitation',
  makeLink: 'Make a link instead',
  sentTo: (email: string, until: string) => `Sent to ${email}, good until ${until}.`,
  goodUntil: (until: string) => `Good until ${until}.`,
  copyLink: 'Copy the link',
  sendLink: 'Send the link',
  copied: 'The link is copied.',
  takeBack: 'Take the invitation back',
  takenBack: 'The invitation is good for nothing now.',
  remove: 'Take them out',
  removeAsk: (name: string) =>
    `${name} will not see this household any more. What they did stays under their name. Press once more to take them out.`,
  removed: (name: string) => `${name} has been removed.`,
  /** Said where they kept the household and signed in: what they could read of it is closed. */
  keysClosed: (name: string) =>
    `${name} no longer keeps this household. Open invitations, hand-over offers and the household’s calendar address have been closed. Make new ones where you need them.`,
  onlyLook: 'Who keeps the household changes this.',
} as const;
