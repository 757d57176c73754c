import { hoursWords } from '../dates';
import { listWords } from '../lists';

/** What features/bows says. */
export const copy = {
  bowsOf: (name: string) => `Bows of ${name}`,
  bowTonight: 'Bow tonight',
  taken: (name: string) => `${name} is in hand. What is played from now on is played with it.`,
  inHand: 'In hand',
  takeItTonight: 'Take it tonight',
  addABow: 'Add a bow',
  changeIt: 'Change this bow',
  noBowHere: 'No bow here',
  addTheOne: 'Add the one it is played with, or say on another’s page that it is played here too.',
  aBowHasItsOwn:
    'Each bow has its own hair, rosin, turns and hours. The one in hand wears; a spare that rests is looked at once a year.',
  neverPlayed: (names: readonly string[]) =>
    `For ${listWords(names)}. Nothing was played with it yet, as far as the log goes.`,
  playedOn: (names: readonly string[], hours: number, sessions: number) =>
    `Played on ${listWords(names)}: ${hoursWords(hours)} in ${sessions} ${sessions === 1 ? 'session' : 'sessions'} on record.`,
  playedOnWhich: 'Played on',
  howMuch: 'How much is it played?',
  often: 'As much as they are',
  seldom: 'Now and then',
  whatYouCallIt: 'What you call it.',
  onWhichAtLeast: 'Say on which instrument it is played.',
  hairSince: 'When was it last rehaired?',
  addIt: 'Add it',
  added: (name: string) => `${name} is added.`,
  changed: 'The bow is changed.',
  hereNoMore: 'It is here no more',
  goneNow: (name: string) => `${name} is put away for good. What was played with it stays on record.`,
} as const;
