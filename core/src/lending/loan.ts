import * as z from 'zod';
import { dateSchema, dayOfDate, type LocalDay } from '../time';

/** Who pays for strings while an instrument is lent. */
export const STRING_PAYERS = ['lender', 'borrower'] as const;
export type StringPayer = (typeof STRING_PAYERS)[number];

/** Most things that go along with an instrument. */
export const MOST_ALONG = 20;

const line = (most: number) =>
  z.string('Say what it is.').trim().min(1, 'Say what it is.').max(most, `At most ${most} characters.`);

/** An instrument lent to a person of the household or to somebody outside it [handbook 13]. */
export const loanSchema = z
  .strictObject({
    instrumentId: z.uuid().toLowerCase(),
    /** The person who has it; null: somebody outside the household. */
    personId: z.uuid().toLowerCase().nullable(),
    /** What whoever has it is called, and where they are reached. */
    to: z.string('Say to whom.').trim().min(1, 'Say to whom.').max(80, 'A name has at most 80 characters.'),
    reached: z.string().trim().max(120, 'At most 120 characters.').nullable(),
    from: dateSchema,
    /** The day it is to be back; null: until it is asked for. */
    until: dateSchema.nullable(),
    /** Bow, case, rest and what else goes along; `back`: whether it came back, null while it is out. */
    along: z
      .array(z.strictObject({ title: line(80), back: z.boolean().nullable() }))
      .max(MOST_ALONG, `At most ${MOST_ALONG} things.`),
    strings: z.enum(STRING_PAYERS),
    note: z.string().trim().max(400, 'At most 400 characters.').nullable(),
    /** The day it came back; null: it is out. */
    back: dateSchema.nullable(),
  })
  .refine(({ from, until }) => until === null || until >= from, {
    path: ['until'],
    error: 'It is to be back before it goes out. Check both dates.',
  })
  .refine(({ from, back }) => back === null || back >= from, {
    path: ['back'],
    error: 'It came back before it went out. Check both dates.',
  });
export type Loan = z.infer<typeof loanSchema>;

/** Whether an instrument is out on a day. */
export const isOut = ({ from, back }: Pick<Loan, 'from' | 'back'>, today: LocalDay): boolean =>
  back === null && dayOfDate(from) <= today;

/** The loan an instrument is out on; null where it is in. */
export function loanNow<L extends Loan>(loans: readonly L[], instrumentId: string, today: LocalDay): L | null {
  return loans.find((loan) => loan.instrumentId === instrumentId && isOut(loan, today)) ?? null;
}

/** Days by which a loan is longer than was said; 0: it is not. */
export function overdueDays(loan: Pick<Loan, 'from' | 'until' | 'back'>, today: LocalDay): number {
  if (loan.until === null || !isOut(loan, today)) return 0;
  return Math.max(0, today - dayOfDate(loan.until));
}

/** What did not come back of what went along. */
export const missingOf = ({ along, back }: Pick<Loan, 'along' | 'back'>): string[] =>
  back === null ? [] : along.flatMap((each) => (each.back === false ? [each.title] : []));
