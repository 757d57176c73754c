/** What features/kit/FactsFields.tsx says. */
export const copy = {
  whatYouCallIt: 'What you call it.',
  whoPlaysIt: 'Who plays it?',
  howMuchIsIt: 'How much is it played on most days?',
  theForecastsBeginWith: 'The forecasts begin with it, until the log knows better.',
  dontKnow: 'Don’t know',
  numberOfStrings: 'Number of strings',
  standOrWallHanger: 'Stand or wall hanger',
  humidifierInTheCase: 'Humidifier in the case',
  itIsLookedAt: 'It is looked at once a week.',
  bridgeHeldByThe: 'Bridge held by the strings alone',
  asOnArchtopsIt: 'As on archtops; it moves when all strings are off.',
  itDecidesWhatMay: 'It decides what may touch the wood.',
  withYouSince: 'With you since',
  sessionsBeforeThisDay: 'Sessions before this day are refused. Leave it empty if it does not matter.',
} as const;
