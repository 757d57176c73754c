import type { Figure, InstrumentFacts, LookId } from '../instruments';
import type { LogEvent } from './events';

/** Why an event cannot stand in the log, in terms the screen and the server both put into words. */
export type Refusal =
  | { code: 'in-the-future'; at: number }
  | { code: 'before-instrument'; at: number; since: string }
  | { code: 'ends-before-start' }
  | { code: 'too-long'; hours: number }
  | { code: 'overlap'; beganAt: number; endedAt: number | null }
  | { code: 'no-such-session' }
  | { code: 'no-such-event' }
  | { code: 'no-such-string'; stringCount: number }
  | { code: 'set-does-not-fit'; wanted: number; given: number }
  | { code: 'no-bow' }
  | { code: 'no-such-bow' }
  | { code: 'no-such-figure'; figure: Figure }
  | { code: 'out-of-range'; figure: Figure }
  | { code: 'no-such-look'; look: LookId }
  | { code: 'no-such-view' }
  | { code: 'no-action' }
  | { code: 'no-such-place' };

/** What an event is judged against. */
export interface AdmissionContext {
  facts: Pick<InstrumentFacts, 'family' | 'since' | 'stringCount'>;
  /** Events of this instrument already in the log; only sessions and retractions are looked at. */
  events: readonly LogEvent[];
  /** Whether an event with this id stands in this instrument's log. */
  has: (eventId: string) => boolean;
  /** Whether the household has a place with this id. */
  hasPlace: (placeId: string) => boolean;
  /** Whether the household has a bow with this id. */
  hasBow: (bowId: string) => boolean;
  nowMs: number;
  timeZone: string;
}
