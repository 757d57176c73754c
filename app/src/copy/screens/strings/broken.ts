import { lastingWords } from '@/copy/dates';

/** What features/strings/BrokenScreen.tsx says. */
export const copy = {
  isNew: (string: string, fromCupboard: boolean) => `The ${string} is new${fromCupboard ? ', from the cupboard' : ''}.`,
  changeTheSetStep: 'Change the set, step by step',
  changeItStepBy: 'Change it, step by step',
  itIsOnAlready: 'It is on already: put it on record',
  aSnappedStringIs: (name: string) =>
    `${name}. A snapped string is ordinary wear, nobody’s fault. Mind the ends: they are sharp.`,
  changeTheWholeSet: 'Change the whole set',
  justTheNowThe: (short: string | undefined) => `Just the ${short} now, the rest after the performance`,
  itWillStillBe: (settleMs: number) =>
    `It will still be settling when you play in public: tune it often, and give it ${lastingWords(settleMs)} if you can.`,
  nextBeforeOthersIn: (title: string, aheadMs: number) => `Next before others: ${title}, in ${lastingWords(aheadMs)}.`,
} as const;
