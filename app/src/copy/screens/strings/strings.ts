import { fixed } from '../../numbers';
import { lastingWords, dateWords } from '@/copy/dates';

/** What features/strings/StringsScreen.tsx says. */
export const copy = {
  changeStringsStepBy: 'Change strings, step by step',
  theStrongestTimesThe: (balance: number) => `, the strongest ${fixed(balance, 1)} times the weakest`,
  nothingIsKnownOf: 'Nothing is known of these strings yet. Describe the set below.',
  onTheStringsThat: (unknown: number) => `on the strings that are described; ${unknown} are not`,
  pullOfEachString: 'Pull of each string',
  theWouldBreakAt: (list: string) =>
    `The ${list} would break at this length and note. Check both below, or describe the string anew.`,
  woundStringsAreEstimated: (percent: number) =>
    `Wound strings are estimated from their gauge, within about ${percent} % (from memory). The tension on the packet is exacter.`,
  thisOneOrThe: 'This one, or the set? With reasons, and what is in the cupboard.',
  whatAnotherSetTuning: 'What another set, tuning, A or length would change, string by string.',
  tuneAndSettle: 'Tune and settle',
  centsAgainstYourOwn: 'Cents against your own A, and when new strings will hold.',
  howItIsStrung: 'How it is strung and tuned',
  mmFromNutTo: (length: string) => `${length} from nut to bridge`,
  setsAndSparesIn: 'Sets and spares in the cupboard',
  whatIsOn: 'What is on',
  describeTheSet: 'Describe the set',
  /** @param wear share of its life that is gone; @param spentAt middle of the window in which it is spent, where it is known */
  onOfItsLife: ({
    known,
    onMs,
    wear,
    spentAt,
    nowMs,
    timeZone,
  }: {
    known: boolean;
    onMs: number;
    wear: number;
    spentAt: number | null;
    nowMs: number;
    timeZone: string;
  }) =>
    `${known ? '' : 'at least '}${lastingWords(onMs)} on, ${Math.round(wear * 100)} % of its life${spentAt === null ? '' : `, spent about ${dateWords(spentAt, nowMs, timeZone)}`}`,
  nobodySaidWhenIt: 'nobody said when it went on',
  nobodySaidWhenThey: 'nobody said when they went on',
  stringsOfOctave: (octave: number) => `Strings of octave ${octave}`,
} as const;
