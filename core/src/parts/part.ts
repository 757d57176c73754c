import type { JobId } from '../guided';
import type { InstrumentFacts } from '../instruments';
import type { Doer, EventOf, EventType, InstrumentLog } from '../log';
import type { Schools } from '../schools';
import type { Hands } from '../strings';
import type { Elsewhere, Outlook, Pace } from '../wear';
import type { InstrumentAir, ThreadBase } from './thread';

/** Everything a part is judged from, at the moment the log was folded to. */
export interface PartContext {
  facts: InstrumentFacts;
  log: InstrumentLog;
  schools: Schools;
  pace: Pace;
  /** null where nobody knows its air. */
  air: InstrumentAir | null;
  /** What its player's other instruments let expect of its strings; null where they tell nothing. */
  elsewhere: Elsewhere | null;
  /** The hands that play it. */
  hands: Hands;
}

/** What planning a part by dates looks at. */
export type DueContext = Omit<PartContext, 'air' | 'elsewhere' | 'hands'>;

/** What is put on record when a part's life begins anew, or when its beginning is said afterwards. */
export type PartEntry = { [T in EventType]: { type: T; payload: EventOf<T>['payload'] } }[EventType];

/** How a part is planned by dates. */
export interface PartDue<T> {
  /** What the work is called: "Rehair". */
  title: string;
  /** Whether it costs nothing, so that no price is asked for. */
  free: boolean;
  /** Who does it, as far as is known. */
  doer: (context: DueContext) => Doer;
  /** Days it takes until it plays as it should. */
  settles: (thread: T) => number;
  outlook: (thread: T, context: DueContext) => Outlook | null;
}

/** One part that wears: who has it, what begins its life, how it stands, when it is due, who does it, what is asked. */
export interface PartRecord<Id extends string, T extends ThreadBase & { part: Id }> {
  /** The guided job that goes with it, beside the change of strings. */
  job?: JobId;
  has: (facts: InstrumentFacts) => boolean;
  /** Events its thread is reckoned from, beside playing. */
  events: readonly EventType[];
  /** null where there is nothing to tell of it. */
  thread: (context: PartContext) => T | null;
  /** null: not planned by dates. */
  due: PartDue<T> | null;
  /** What is put on record when it begins anew (`known`), or when nobody knows since when it has been on; null where it has no such beginning. */
  begun: ((known: boolean, onRecord: boolean) => PartEntry) | null;
  /** Whether its beginning is asked for when an instrument is added. */
  askedAtFirst: boolean;
}
