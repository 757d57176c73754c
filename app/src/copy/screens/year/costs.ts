/** What features/year/Costs.tsx says. */
export const copy = {
  whatItCosts: 'What it costs',
  fetchingPricesAndLog: 'Fetching prices and log …',
  noPriceIsOn: 'No price is on record, and Tembrin invents none. Enter what you pay below; a range will do.',
  inTheYearAhead: (low: string, high: string, missing: number) =>
    `in the year ahead, between ${low} and ${high}${missing > 0 ? `; ${missing} ${missing === 1 ? 'item has' : 'items have'} no price yet` : ''}.`,
  paidInTheYear: (money: string) => `${money} was paid in the last twelve months, as far as it is on record.`,
  forEveryHourPlayed: (range: string) => `${range} for every hour played, at the pace of your log.`,
  doingStringsYourselfSaves: (money: string) =>
    `Doing strings yourself saves about ${money} a year against the shop, where both prices are known.`,
  theShopIsAbout: (money: string) =>
    `The shop is about ${money} a year cheaper than doing it yourself, where both prices are known.`,
  priceOfFor: (row: readonly string[], name: string) => `${row.join('. ')}: price for ${name}`,
  inTheYear: (times: string, doerTitle: string) => `${times} in the year, ${doerTitle.toLowerCase()}`,
  enterAPrice: 'Enter a price',
  nothingComesDueYet: 'Nothing comes due yet: say in Kit when strings were fitted, and their cost can be reckoned.',
  itsThreeLettersLike: 'Its three letters, like EUR or GBP.',
  yourselfTheMaterial: 'Yourself: the material',
  thePriceIsChanged: 'The price is changed.',
  thePriceIsOn: 'The price is on record.',
  leaveItEmptyWhere: 'Leave it empty where it is always the same.',
  takeThePriceAway: 'Take the price away',
  thePriceIsRemoved: 'The price is removed.',
} as const;
