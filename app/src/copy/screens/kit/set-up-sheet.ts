/** What features/kit/SetUpSheet.tsx says. */
export const copy = {
  nothingToMeasure: 'Nothing to measure',
  whatIsMeasuredDepends: 'What is measured depends on its rest, bow and endpin. Change them above.',
  playedByAChild: 'played by a child',
  notOnRecordA: 'Not on record. A harp technician sets the action so that every sharp and natural is true.',
  itWasRegulated: 'It was regulated',
} as const;

export const REGULATION_COPY = {
  title: 'Regulation',
  question: 'When was it regulated?',
  recorded: 'The regulation is on record.',
};
