import type { Role } from '@tembrin/core/people';
import { listWords } from '../../lists';

/** What each role is, in a word and in a line. */
export const ROLE_WORDS: Readonly<Record<Role, { title: string; text: string }>> = {
  keeper: { title: 'Keeps', text: 'Everything: instruments, rooms, prices, people.' },
  player: { title: 'Plays', text: 'Their own instruments: plays, wipes, measures, reports.' },
  helper: { title: 'Helps', text: 'As a teacher or parent: sees, answers, puts on record for who plays.' },
};

/** What the pages about people say. */
export const copy = {
  people: 'People',
  row: (role: Role, plays: readonly string[], looksAfter: readonly string[]) =>
    [
      ROLE_WORDS[role].title,
      plays.length > 0 ? `${role === 'player' ? '' : 'plays '}${listWords(plays)}` : '',
      looksAfter.length > 0 ? `looks after ${listWords(looksAfter)}` : '',
    ]
      .filter((part) => part !== '')
      .join(' · '),
  you: 'You',
  signsIn: 'Signs in',
  invited: 'Invited',
  noAccount: 'No account',
  add: 'Add a person',
  alone: 'Only you so far',
  aloneText: 'Add who plays and who helps. A child needs no account: you say on the stand who is playing.',
  gone: 'Gone',
  goneSince: (when: string) => `Since ${when}`,
  leave: 'Leave this household',
  leaveAsk:
    'You will not see its instruments any more. What you did stays here under your name. Press once more to leave.',
  left: 'You have left.',
  households: 'Households',
  householdRow: (role: Role, here: boolean) => `${ROLE_WORDS[role].title}${here ? ' · open here' : ''}`,
} as const;
