/** What features/kit/SessionScreen.tsx says. */
export const copy = {
  giveTheDayAnd: 'Give the day and both times.',
  theSessionIsCorrected: 'The session is corrected.',
  theSessionIsOn: 'The session is on record.',
  whenDidYouStop: 'When did you stop?',
  correctTheSession: 'Correct the session',
  enterASession: 'Enter a session',
  saveTheCorrection: 'Save the correction',
  retractTheSession: 'Retract the session',
  theSessionIsRetracted: 'The session is retracted.',
  dayItBegan: 'Day it began',
  anEndBeforeThe: (zone: string) =>
    `${zone && `Times are ${zone}. `}An end before the beginning is taken as past midnight.`,
  wasTheClosingRound: 'Was the closing round done?',
  yesAllOfIt: 'Yes, all of it',
} as const;
