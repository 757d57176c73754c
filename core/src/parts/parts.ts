import type { InstrumentFacts } from '../instruments';
import { isOnBow, PART_IDS, type DatedPart, type PartId } from './catalogue';
import { airPart, type AirThread } from './air';
import { checkupPart, type CheckupThread } from './checkup';
import { hairPart, type HairThread } from './hair';
import { hairLookPart, type HairLookThread } from './hair-look';
import type { PartContext, PartDue, PartRecord } from './part';
import { residuePart, type ResidueThread } from './residue';
import { rosinPart, type RosinThread } from './rosin';
import { stringsPart, type StringsThread } from './strings';
import type { ThreadBase } from './thread';

/** How each part that wears is judged. */
export const PARTS = {
  strings: stringsPart,
  hair: hairPart,
  'hair-look': hairLookPart,
  rosin: rosinPart,
  residue: residuePart,
  checkup: checkupPart,
  air: airPart,
} as const satisfies Record<PartId, unknown>;

/** One part's condition and forecast, with the figures behind it. */
export type Thread =
  StringsThread | HairThread | HairLookThread | RosinThread | ResidueThread | CheckupThread | AirThread;
export type ThreadOf<P extends PartId> = Extract<Thread, { part: P }>;

type AnyThread = ThreadBase & { part: string };

/** What is known of a part, whichever it is. */
export function partOf(id: PartId): PartRecord<string, AnyThread> {
  return PARTS[id] as unknown as PartRecord<string, AnyThread>;
}

/** How a part that is planned by dates is planned. */
export function dueOf(id: DatedPart): PartDue<Thread> {
  return PARTS[id].due as unknown as PartDue<Thread>;
}

/** Parts whose life begins anew with something done. */
export type BegunPart = { [P in PartId]: (typeof PARTS)[P]['begun'] extends null ? never : P }[PartId];

/** Whether a thread starts again with something done, like a rehair. */
export function beginsAnew(thread: Thread): thread is ThreadOf<BegunPart> {
  return PARTS[thread.part].begun !== null;
}

/** Parts an instrument has. */
export function partsOf(facts: InstrumentFacts): PartId[] {
  return PART_IDS.filter((id) => PARTS[id].has(facts));
}

/**
 * The threads of an instrument: those parts it has and of which there is something to tell.
 * @param ofBow those of the bow in hand
 */
export function threadsOf(context: PartContext, ofBow: readonly Thread[]): Thread[] {
  return partsOf(context.facts).flatMap((id): Thread | [] =>
    isOnBow(id) ? (ofBow.find(({ part }) => part === id) ?? []) : ((PARTS[id].thread(context) as Thread | null) ?? []),
  );
}

/** The threads of a bow. @param context with the bow's own log and pace */
export function bowThreads(context: PartContext): Thread[] {
  return partsOf(context.facts).flatMap((id): Thread | [] =>
    isOnBow(id) ? ((PARTS[id].thread(context) as Thread | null) ?? []) : [],
  );
}
