import { lastingWords } from '@/copy/dates';

/** What features/look/LookStart.tsx says. */
export const copy = {
  title: 'Look it over',
  howMuch: 'How much',
  whoLooks: 'Who looks',
  quick: (looks: number) => `Quick, ${looks} looks`,
  full: (looks: number) => `All of it, ${looks} looks`,
  bow: (looks: number) => `The bow, ${looks} looks`,
  takes: ({ ms, measured }: { ms: number; measured: boolean }) =>
    measured ? `It took you ${lastingWords(ms)} last time.` : `About ${lastingWords(ms)}.`,
  childHint: 'Only what needs no tool and can do no harm. An adult stays near.',
  teacherHint: 'Everything a trained eye can see without taking it apart.',
  begin: 'Begin',
  goOn: (behind: number, of: number) => `Go on, ${behind} of ${of} looked at`,
  fell: 'It fell or was knocked',
  fellNoted: 'Noted. Look it over before it is played.',
  lastTime: (when: string, extent: string, found: number) =>
    `Looked over ${when}, ${extent.toLowerCase()}: ${found === 0 ? 'nothing found' : found === 1 ? 'one thing found' : `${found} things found`}.`,
  neverYet:
    'Bridge, strings, hair, seams: what changes slowly is seen only when it is looked at the same way each time.',
  whatWasFound: 'What was found',
  openNow: (count: number) =>
    count === 0 ? 'Nothing open. Every look and its line.' : `${count} open. Every look and its line.`,
  whatIsLookedAt: 'In this order',
} as const;
