import { bowsAmong } from '@tembrin/contract/bows';
import { refusalSentence } from '@tembrin/contract/refusals';
import { isBowKnown } from '@tembrin/core/bow';
import { refusalOf, type LogEvent } from '@tembrin/core/log';
import { useAir } from './air';
import { useCardStore } from './cards';
import { useHousehold } from './household';
import { useLog } from './log';

/**
 * Why entries could not stand in the log, judged one after another by the rules the server judges by; null when they may, or
 * when this device does not know the whole log of their instrument and the server has to say.
 */
export function refusalAmong(entries: readonly LogEvent[]): string | null {
  const { household } = useHousehold.getState();
  const { events, complete } = useLog.getState();
  const { cards } = useCardStore.getState();
  const places = useAir.getState().air?.places;
  const before = new Map<string, LogEvent[]>();
  for (const entry of entries) {
    const { instrumentId } = entry;
    const facts = household?.instruments.find(({ id }) => id === instrumentId);
    if (!household || !facts || (complete !== 'all' && !complete.has(instrumentId))) continue;
    const known = before.get(instrumentId) ?? [...(events[instrumentId] ?? [])];
    before.set(instrumentId, known);
    const refusal = refusalOf(entry, {
      facts,
      events: known,
      has: (id) => known.some((event) => event.id === id),
      // Without the cards nobody can say here.
      hasBow: (id) => !cards || isBowKnown(id, household.instruments, bowsAmong(cards)),
      hasPlace: (id) => !places || places.some((place) => place.id === id),
      nowMs: Date.now(),
      timeZone: household.timeZone,
    });
    if (refusal) return refusalSentence(refusal, household.timeZone);
    known.push(entry);
  }
  return null;
}
