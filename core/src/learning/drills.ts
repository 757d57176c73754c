import { isBowed, recordOf, type InstrumentFacts } from '../instruments';
import type { DrillId, StepId } from '../log';

export interface DrillData {
  title: string;
  /** What is asked, in one line. */
  asks: string;
  bowed: boolean;
}

export const DRILL_DATA: Readonly<Record<DrillId, DrillData>> = {
  screw: { title: 'Turn the screw', asks: 'Tighten the bow until the stick is right.', bowed: true },
  order: { title: 'The round in order', asks: 'Tap the steps in the order you do them.', bowed: false },
  case: { title: 'Before the lid shuts', asks: 'Tap everything that is wrong in this case.', bowed: true },
  zones: { title: 'The missed zone', asks: 'One zone was not wiped. Tap it.', bowed: false },
};

/** Drills that make sense for an instrument. */
export function drillsFor({ family }: Pick<InstrumentFacts, 'family'>): DrillId[] {
  return (Object.keys(DRILL_DATA) as DrillId[]).filter((id) => {
    if (DRILL_DATA[id].bowed && !isBowed(family)) return false;
    // Large instruments live in soft cases: what goes wrong there is not seen before the lid.
    return id !== 'case' || recordOf(family).takes.chin;
  });
}

/** What can be wrong in an open case, and the step of the round that would have put it right. */
export const CASE_FAULTS = ['rest-on', 'bow-loose', 'bow-tight', 'pencil', 'strings-dusty', 'rosin-open'] as const;
export type CaseFault = (typeof CASE_FAULTS)[number];

export const CASE_FAULT_DATA: Readonly<Record<CaseFault, { step: StepId; title: string; why: string }>> = {
  'rest-on': {
    step: 'rest-off',
    title: 'The shoulder rest is still on',
    why: 'The lid presses it, and the bridge goes into the top.',
  },
  'bow-loose': {
    step: 'case',
    title: 'The bow is not in its holder',
    why: 'It swings against the top on the way home.',
  },
  'bow-tight': {
    step: 'slacken',
    title: 'The bow is still tight',
    why: 'Overnight the stick warps and the hair stretches.',
  },
  pencil: { step: 'case', title: 'A pencil lies loose', why: 'Every bump scratches the varnish.' },
  'strings-dusty': { step: 'wipe-strings', title: 'The strings are white with rosin', why: 'It cakes within days.' },
  'rosin-open': {
    step: 'case',
    title: 'The rosin lies loose',
    why: 'It breaks, and its crumbs melt onto the varnish.',
  },
};
