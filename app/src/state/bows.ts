import type { Card, Instrument } from '@tembrin/contract';
import { useAssessmentStore } from './assessment-store';
import { useAssessment } from './assessments';
import { act } from './actions';
import { addCards, changeCard, useCards } from './cards';
import { useHousehold } from './household';
import { bowName } from '@/copy/bows';
import { copy } from '@/copy/screens/bows';
import type { BowAssessment } from '@tembrin/core/assess';
import type { BowFacts } from '@tembrin/core/bow';

export interface NamedBow extends BowAssessment {
  name: string;
}

/** The bows an instrument is played with, the one in hand first. */
export function useBows(instrument: Instrument): readonly NamedBow[] {
  const { bows } = useAssessment(instrument);
  const { instruments } = useHousehold((state) => state.household)!;
  return bows.map((each) => {
    const home = instruments.find(({ id }) => id === each.bow.instrumentIds[0]) ?? instrument;
    return { ...each, name: bowName(each.bow, home.name) };
  });
}

/** Names of an instrument's bows by their ids, where there are several to tell apart. */
export function useBowNames(instrument: Instrument): ReadonlyMap<string, string> {
  const bows = useBows(instrument);
  return new Map(bows.length < 2 ? [] : bows.map(({ bow, name }) => [bow.id, name]));
}

/**
 * Says in an entry which bow it is about. Where an instrument has only the one it came with, that goes without saying; where
 * there are several it is said, since an entry may be of a day on which another was in hand.
 */
export function saidOf(
  bowId: string,
  instrument: Pick<Instrument, 'id'>,
  bows: readonly unknown[],
): { bowId?: string } {
  return bowId === instrument.id && bows.length < 2 ? {} : { bowId };
}

/** The same of the bow in hand; nothing where it is played without. */
export function inHand(instrument: Pick<Instrument, 'id'>, bows: readonly BowAssessment[]): { bowId?: string } {
  return bows[0] ? saidOf(bows[0].bow.id, instrument, bows) : {};
}

/** From now on the instrument is played with this bow. */
export function takeBow(instrumentId: string, { bow, name }: Pick<NamedBow, 'bow' | 'name'>): void {
  void act(instrumentId, [{ type: 'bow-taken', payload: { bowId: bow.id } }], copy.taken(name));
}

/** What was said of a bow, on its card; null of one that came with an instrument and nobody spoke of. */
export function useBowCard(bowId: string): Card<'bow'> | null {
  return useCards('bow').findLast(({ id, facts }) => (facts.ownOf ?? id) === bowId) ?? null;
}

/** Puts what is said of a bow on its card. */
export async function sayOfBow(card: Card<'bow'> | null, facts: BowFacts, done: string): Promise<void> {
  if (card) await changeCard(card, facts, done);
  else await addCards([{ kind: 'bow', facts }], done);
}

/** Takes another bow wherever one that is put away for good was in hand. */
export async function putAway(bowId: string): Promise<void> {
  for (const { facts, bows } of Object.values(useAssessmentStore.getState().byInstrument)) {
    const [held, next] = bows;
    if (held?.bow.id === bowId && next)
      await act(facts.id, [{ type: 'bow-taken', payload: { bowId: next.bow.id } }], null);
  }
}
