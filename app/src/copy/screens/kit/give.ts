/** What features/passport says of handing an instrument over. */
export const copy = {
  title: (name: string) => `Hand over ${name}`,
  what: (entries: number) =>
    `Its whole life goes along: ${entries} ${entries === 1 ? 'entry' : 'entries'}, its photographs, what it is told by, its bows. Your rooms, prices and other instruments do not. A copy stays here, marked as given.`,
  how: 'You send a link; the other household opens it and says that it takes the instrument; then you hand it over here. Until then nothing has moved.',
  offer: 'Make the link',
  link: (until: string) => `Open until ${until}, for one household.`,
  copyLink: 'Copy the link',
  copied: 'The link is copied.',
  sendLink: 'Send the link',
  withdraw: 'Withdraw the offer',
  withdrawn: 'The offer is withdrawn.',
  waiting: 'Nobody has said yet that they would take it.',
  taker: (name: string) => `“${name}” would take it.`,
  complete: (name: string) => `Hand it over to “${name}”`,
  final: 'It cannot be undone from here: only the other household can give it back.',
  done: (name: string) => `Handed over to “${name}”. A copy stays under Kit.`,
  offline: 'Handing over needs a connection.',

  take: 'Take an instrument over',
  noKey: 'This page needs the whole link. Open it as it was sent to you.',
  from: (from: string) => `From “${from}”`,
  comes: (entries: number, photos: number) =>
    `${entries} ${entries === 1 ? 'entry' : 'entries'} and ${photos} ${photos === 1 ? 'photograph' : 'photographs'} come along.`,
  takeIt: 'Take it',
  said: (from: string) => `“${from}” has been told. The instrument comes once they hand it over; this page tells you.`,
  here: 'It is here.',
  open: 'Open it',

  givenNote: (to: string, when: string) =>
    `A copy of its life until it was handed over to “${to}” on ${when}. What comes after stands on record there.`,
  remove: 'Remove the copy',
  removeText: 'It is taken off this household for good.',
  removed: 'The copy is removed.',
} as const;
