/**
 * What somebody is told of without having asked [handbook 13]: a record each. `alert`: it cannot wait for the digest, as something can
 * still be done about it today. `step`: told again only once it is worse by so much, in the unit of its own `worse`; null: once. The
 * steps are from memory: what a player would call another thing than yesterday's.
 */
export const NOTICE_DATA = {
  /** Wood out of its band, or on its way there. `worse`: how far out the humidity it rests at is, in points of per cent. */
  air: { alert: true, step: 5 },
  /** A humidifier that runs dry by tomorrow. */
  dry: { alert: true, step: null },
  /** A bow that was left tight. `worse`: nights. */
  tight: { alert: true, step: 3 },
  /** Strings that go on now, or stay until after the concert. */
  strings: { alert: true, step: null },
  /** A workshop visit with several things due. `worse`: how many. */
  visit: { alert: false, step: 2 },
  /** An instrument that is out longer than was said. `worse`: weeks. */
  overdue: { alert: false, step: 1 },
  /** What else is due. `worse`: the chance that it is spent. */
  due: { alert: false, step: 0.3 },
} as const satisfies Readonly<Record<string, { alert: boolean; step: number | null }>>;
export type NoticeKind = keyof typeof NOTICE_DATA;
export const NOTICE_KINDS = Object.keys(NOTICE_DATA) as NoticeKind[];

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

/** What tells one concern from another. */
export const concernKey = ({ kind, about }: Pick<Concern, 'kind' | 'about'>) => `${kind} ${about}`;
