/** What features/year/Calendar.tsx says. */
export const copy = {
  theAddressIsGone: 'The address is gone. Calendars that had it hear nothing more.',
  inYourCalendar: 'In your calendar',
  aPrivateAddressThat:
    'A private address that any calendar program can follow: each piece of upkeep on the day it is planned for, its window in words, a reminder that morning; gone again when it is done. What is lent stands on the day it is to be back.',
  ofWhatYouPlay: 'This one is yours: it has what you play and look after.',
  whoeverHasItCan: 'Whoever has it can read what comes due. It can be taken back at any time.',
  aNewOneInstead: 'A new one instead',
  takeItBack: 'Take it back',
  makeAnAddress: 'Make an address',
  orOnceAsA: 'Or once, as a file',
  thatFileHasMb: (has: string, most: number) =>
    `That file has ${has} MB; a calendar of at most ${most} MB is read. Export fewer years, or one calendar at a time.`,
  inYourYear: (fresh: number, moved: number) =>
    [
      fresh > 0 ? `${fresh} ${fresh === 1 ? 'occasion is' : 'occasions are'} in your year` : null,
      moved > 0 ? `${moved} ${moved === 1 ? 'is' : 'are'} on other days now` : null,
    ]
      .filter((part) => part !== null)
      .join('; ') + '.',
  movedFrom: (before: string) => `; moved: it is in your year on ${before}`,
  notAnyMore: 'a day that is past',
  bringPerformancesAndHolidays: 'Bring performances and holidays in',
  anIcsFileFrom:
    'An .ics file from your calendar. You see what is in it before anything is kept; recurring dates are spelt out.',
  chooseAnotherFile: 'Choose another file',
  chooseAnIcsFile: 'Choose an .ics file',
  nothingInThisFile: 'Nothing in this file takes place between a month ago and two years from now.',
  occasionsInTheFile: 'Occasions in the file',
  andMoreUntil: (more: number, date: string) => ` and ${more} more, until ${date}`,
  itGoesOnBeyond: '; it goes on beyond that',
  inYourYearAlready: '; in your year already',
  cannotBeRead: 'Cannot be read',
  outsideThatTimeAnd: (outside: number) =>
    `${outside} ${outside === 1 ? 'entry lies' : 'entries lie'} outside that time and ${outside === 1 ? 'is' : 'are'} left out.`,
  nothingIsChosen: 'Nothing is chosen',
} as const;
