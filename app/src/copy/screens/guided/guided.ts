/** What features/guided says. */
export const copy = {
  next: 'Done, next',
  finish: 'Finish',
  backAStep: 'Back a step',
  pause: 'Pause',
  leave: 'Leave off',
  handsBusy: 'Hands-busy view',
  usualView: 'Usual view',
  tap: 'Tap anywhere: done, next',
  doneNextStep: 'Done, next step',
  oneStepBack: 'One step back',
} as const;
