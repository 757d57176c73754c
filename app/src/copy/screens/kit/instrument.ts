import { hoursWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';

/** What features/kit/InstrumentScreen.tsx says. */
export const copy = {
  brief: 'Brief for the workshop',
  briefText: 'What is noticed, found, changed and due, on one page.',
  passport: 'Passport',
  passportText: 'Its whole life: what it is told by, its state, and everything that was done.',
  lookedOver: 'Looked over',
  whatWasSeen: 'What was seen, each thing as a line over the years.',
  putOnTheStand: (name: string) => `Put ${name} on the stand`,
  playedInSessionsOn: (hours: number, sessions: number) =>
    `${hoursWords(hours)} played in ${sessions} ${sessions === 1 ? 'session' : 'sessions'} on record.`,
  onTheStand: 'On the stand',
  putIt: 'Put on the stand',
  whatIsOnWhat: 'What is on, what it pulls, the next change, and tuning.',
  whereItLivesAnd: 'Where it lives, and its wood',
  bowsInALine: (names: readonly string[]) =>
    names.length === 0 ? 'None here.' : names.length === 1 ? 'One.' : `${listWords(names)}. ${names[0]!} is in hand.`,
  lending: 'Lending',
  lendIt: 'Lend it out: with what, until when, in which state.',
  lentTo: (to: string) => `Lent to ${to}.`,
  asTheHousehold: 'As the household.',
  itsOwnWayIn: (schools: number) => `Its own way in ${schools}.`,
  itsFitAsNumbers: 'Its fit as numbers with dates. Nothing measured yet.',
} as const;
