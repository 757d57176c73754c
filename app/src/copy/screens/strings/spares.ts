/** What features/strings/Spares.tsx says. */
export const copy = {
  putASpareIn: 'Put a spare in',
  noSparesOnRecord: 'No spares on record',
  packetsOfStringsWhole:
    'Packets of strings, whole sets or single ones. What a change takes from here goes down by itself, the oldest first.',
  moreThanYearsOld: (years: number) => `More than ${years} years old: look for tarnish and cracks, and use it first.`,
  isOutOfThe: (title: string) => `${title} is out of the cupboard.`,
  setsOfYourOwn: 'Sets of your own',
  isInTheCupboard: (title: string) => `${title} is in the cupboard.`,
  changeASpare: 'Change a spare',
  forAnInstrumentLike: 'For an instrument like',
  whatItIs: 'What it is',
  onlyTheseStringsNone: 'Only these strings (none chosen: the whole set)',
  asYouWouldLook: 'As you would look for it in the cupboard.',
} as const;
