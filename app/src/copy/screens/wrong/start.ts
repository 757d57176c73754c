import type { Seeker } from '@tembrin/core/log';
import type { Noticed } from '@tembrin/core/triage';

/** What features/wrong/WrongStart.tsx says. */
export const copy = {
  title: 'Something is wrong',
  how: 'How it shows',
  noticed: {
    hearing: 'I hear it',
    seeing: 'I see it',
    feel: 'I feel it',
    case: 'It came so from the case',
  } satisfies Record<Noticed, string>,
  where: 'What is it like?',
  here: 'At this place',
  everywhere: 'Show all of them',
  most: 'Five at most: more is another trouble.',
  whoLooks: 'Who looks',
  seekers: { child: 'A child', player: 'The player', practised: 'Practised hands' } satisfies Record<Seeker, string>,
  seekerHints: {
    child: 'Only what needs no tool and can do no harm. A grown-up stays near.',
    player: 'What anyone who plays can look at.',
    practised: 'Also what has to have been shown once.',
  } satisfies Record<Seeker, string>,
  begin: 'Look into it',
  chooseFirst: 'Choose what it is like',
  open: 'Not over yet',
  before: 'Before',
  since: (when: string) => `Since ${when}. Take it up.`,
  was: (cause: string, when: string) => `It was: ${cause}, ${when}.`,
  nobodyKnew: (when: string) => `Over ${when}; nobody knows what it was.`,
  tapPlace: 'Or tap the plate where it shows.',
} as const;
