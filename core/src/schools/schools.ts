import * as z from 'zod';

export type Side = 'A' | 'B' | 'C';

interface SideData {
  does: string;
  why: string;
}

export interface SchoolData {
  /** What practitioners disagree on. */
  question: string;
  /** What each side does, and its reason in one line. */
  sides: Readonly<Record<'A' | 'B', SideData> & { C?: SideData }>;
  /** The default, where a family has no other. */
  usual: Side;
}

/** Every disagreement that changes what Tembrin says, with its sides [handbook 1, 2, 3, 7]. */
export const SCHOOL_DATA = {
  place: {
    question: 'Where the case is opened',
    sides: {
      A: { does: 'On the floor', why: 'Nothing can fall from it; the way for beginners and children.' },
      B: { does: 'On a table or bed of full width', why: 'Kinder to the back, and away from feet and pets.' },
    },
    usual: 'A',
  },
  rosinEnds: {
    question: 'Rosin at the ends of the bow',
    sides: {
      A: { does: 'The whole length, extra passes at frog and tip', why: 'The ends give their rosin up first.' },
      B: { does: 'Stop short of the frog', why: 'Hair at the ferrule never plays; rosin there only gathers dirt.' },
    },
    usual: 'A',
  },
  slack: {
    question: 'How far the bow is slackened',
    sides: {
      A: { does: 'Until the hair just rests at the stick', why: 'The tension is gone and the hair cannot tangle.' },
      B: { does: 'Until the hair is visibly soft', why: 'Room for hair that shrinks when the air dries overnight.' },
    },
    usual: 'A',
  },
  cloths: {
    question: 'How many cloths',
    sides: {
      A: { does: 'Two: one for rosin, one for where hands were', why: 'Rosin never reaches the places hands touch.' },
      B: { does: 'One, the rosin zones last', why: 'One cloth is always at hand; the order keeps it clean enough.' },
    },
    usual: 'A',
  },
  kept: {
    question: 'Where a guitar in daily use is kept',
    sides: {
      A: { does: 'Always in its case', why: 'Air is easier to hold steady in a small space.' },
      B: { does: 'On a stand or a hanger', why: 'An instrument within reach gets played.' },
    },
    usual: 'A',
  },
  cleaner: {
    question: 'Cleaner on the varnish',
    sides: {
      A: { does: 'Dry only, the rest is for the workshop', why: 'Nothing wet ever meets the varnish at home.' },
      B: { does: 'Instrument cleaner once a week or when dull', why: 'Rosin that never hardens never needs a shop.' },
    },
    usual: 'A',
  },
  frogHair: {
    question: 'Hair that is dirty at the frog',
    sides: {
      A: { does: 'Leave it to the rehair', why: 'Wet hair swells, and a slip wets the frog.' },
      B: {
        does: 'A trace of dish soap on a cloth, hair only',
        why: 'Clean hair grips again; dry it before tightening.',
      },
    },
    usual: 'A',
  },
  air: {
    question: 'Which humidity is right',
    sides: {
      A: { does: '45 to 55 %, and never outside 40 to 60', why: 'The balanced band of bowed instruments and guitars.' },
      B: {
        does: '50 to 60 %, and never below 40',
        why: 'Some guitar technicians: dry tops crack, damp ones only sound dull.',
      },
      C: {
        does: 'No fixed level: hold what it is used to, and limit short swings',
        why: 'Change harms more than level; the way of harps and old instruments.',
      },
    },
    usual: 'A',
  },
  changing: {
    question: 'How a set of strings is changed',
    sides: {
      A: { does: 'One string a day', why: 'The bridge and the ear get used to each before the next.' },
      B: { does: 'One after another, in one sitting', why: 'Done in an hour, and the set settles together.' },
      C: {
        does: 'All off, for a deep clean',
        why: 'Only where a fixed bridge and no sound post allow it; on all others it is for a workshop.',
      },
    },
    usual: 'B',
  },
  beforePlaying: {
    question: 'How long before a performance strings and hair are left alone',
    sides: {
      A: { does: 'As long as they take to settle, and a few days', why: 'Nothing drifts, and the hands know it.' },
      B: { does: 'As long as they take to settle', why: 'Fresh strings sound best once they hold their pitch.' },
    },
    usual: 'A',
  },
  checkup: {
    question: 'How often a luthier looks it over',
    sides: {
      A: { does: 'Every 6 months', why: 'Seams and posts are caught before the heating season does harm.' },
      B: { does: 'Once a year', why: 'Enough for an instrument that never troubles.' },
    },
    usual: 'A',
  },
} as const satisfies Record<string, SchoolData>;

export type SchoolId = keyof typeof SCHOOL_DATA;
export const SCHOOLS = Object.keys(SCHOOL_DATA) as SchoolId[];

/** The side taken in each disagreement. */
export type Schools = { [Id in SchoolId]: keyof (typeof SCHOOL_DATA)[Id]['sides'] };

/** Sides of a school, in order. */
export function sidesOf(id: SchoolId): Side[] {
  return Object.keys(SCHOOL_DATA[id].sides) as Side[];
}

/** Sides somebody chose; what is left out follows the family's default. */
export const schoolChoicesSchema = z
  .partialRecord(z.enum(SCHOOLS), z.enum(['A', 'B', 'C']))
  .refine((choices) => Object.entries(choices).every(([id, side]) => sidesOf(id as SchoolId).includes(side)), {
    error: 'Choose among the sides this school has.',
  });
export type SchoolChoices = z.infer<typeof schoolChoicesSchema>;

/** Months between checkups, by school [handbook 7]. */
export const CHECKUP_MONTHS: Readonly<Record<Schools['checkup'], number>> = { A: 6, B: 12 };
