import type { OutSide } from '../air';
import type { DatedPart } from '../parts';
import type { Doer } from '../log';
import type { LocalDay } from '../time';
import type { Window } from '../wear';

/**
 * What somebody is told of without having asked [handbook 13]: a record each. `alert`: it cannot wait for the digest, as something can
 * still be done about it today. `step`: told again only once it is worse by so much, in the unit of its own `worse`; null: once.
 * `overDays`: once it has not been so for so long, it is over, and news when it comes again. `to`: who is told, of those who sign in:
 * `hands`: who plays it or looks after it, and the keepers where nobody does; `keepers`; `both`; `borrower`: who has it on loan. Steps and days are from memory: what a
 * player would call another thing than yesterday's.
 */
export const NOTICE_DATA = {
  /** Wood out of its band, or on its way there. `worse`: how far out the humidity it rests at is, in points of per cent; 0 before. */
  air: { alert: true, step: 5, overDays: 7, to: 'both' },
  /** A humidifier that runs dry by tomorrow. */
  dry: { alert: true, step: null, overDays: 2, to: 'hands' },
  /** A bow that was left tight. `worse`: nights. */
  tight: { alert: true, step: 3, overDays: 2, to: 'hands' },
  /** Strings that go on now, or stay until after the concert. */
  strings: { alert: true, step: null, overDays: 14, to: 'both' },
  /** A workshop visit with several things due. `worse`: how many. */
  visit: { alert: false, step: 2, overDays: 30, to: 'keepers' },
  /** An instrument that is out longer than was said. `worse`: weeks. */
  overdue: { alert: false, step: 1, overDays: 1, to: 'keepers' },
  /** One's own loan that ends within the week, or has. `worse`: weeks that it is over; 0 before. */
  ending: { alert: false, step: 1, overDays: 14, to: 'borrower' },
  /** What else is due. `worse`: the chance that it is spent. */
  due: { alert: false, step: 0.3, overDays: 30, to: 'hands' },
} as const satisfies Readonly<
  Record<
    string,
    { alert: boolean; step: number | null; overDays: number; to: 'hands' | 'keepers' | 'both' | 'borrower' }
  >
>;
export type NoticeKind = keyof typeof NOTICE_DATA;
export const NOTICE_KINDS = Object.keys(NOTICE_DATA) as [NoticeKind, ...NoticeKind[]];

/** Something worth telling somebody, as long as something can be done about it. */
export interface Concern {
  kind: NoticeKind;
  /** What it is about: an instrument, and a part, a bow or a loan of it. The same concern has the same each time. */
  about: string;
  instrumentId: string;
  /** How bad it is, in the unit of its kind. */
  worse: number;
  /** The moment after which telling it is pointless, ms. */
  untilMs: number;
}

/** A part of an instrument or of a bow that is due. */
export interface DuePart {
  instrumentId: string;
  /** The bow it is on, where that is not the one the instrument came with. */
  bowId: string | null;
  part: DatedPart;
}

/** What is known of each kind of concern, for its words. Moments in ms, humidities as fractions. */
export interface ConcernFacts {
  /** `limitAt`: when it leaves its band; null: it has. `ahead`: whether coming weather was reckoned with. */
  air: { side: OutSide; restRh: number; low: number; high: number; limitAt: number | null; ahead: boolean };
  dry: { dryAt: number };
  tight: { bowId: string | null; since: number };
  /** `day`: when they go on; `from`: the day of the occasion. */
  strings: { side: 'before' | 'after'; day: LocalDay; occasion: string; from: LocalDay };
  /** `soon`: its day has come, or is near. */
  visit: { day: LocalDay; soon: boolean; items: DuePart[] };
  overdue: { loanId: string; to: string; until: LocalDay };
  ending: { loanId: string; personId: string; until: LocalDay; over: boolean };
  due: DuePart & { day: LocalDay; soon: boolean; who: Doer; window: Window };
}

/** A concern of one kind, with its facts. */
export type ConcernOf<K extends NoticeKind> = { [I in K]: Concern & { kind: I; facts: ConcernFacts[I] } }[K];
export type KnownConcern = ConcernOf<NoticeKind>;

/** What tells one concern from another. */
export const concernKey = ({ kind, about }: Pick<Concern, 'kind' | 'about'>) => `${kind} ${about}`;
