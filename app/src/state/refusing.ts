import { bowsAmong } from '@tembrin/contract/bows';
import { refusalSentence } from '@tembrin/contract/refusals';
import { isBowKnown } from '@tembrin/core/bow';
import { refusalOf, sessionIndex, type LogEvent } from '@tembrin/core/log';
import { useAir } from './air';
import { useCardStore } from './cards';
import { standOf, useHousehold } from './household';
import { useLog } from './log';
import { onlyGrew } from './log-state';
import { usePreferences } from './preferences';

/**
 * Each instrument's log as entries were judged by it last: a list that grows with it, as what is known of its sessions is kept with the
 * list. Gathered anew at every press, the sessions of ten years take longer than all else that a press does.
 */
const lists = { householdId: null as string | null, of: new Map<string, LogEvent[]>() };

/** The log of an instrument as such a list: another one where it did not just grow. */
function listOf(instrumentId: string): LogEvent[] {
  const { householdId, events: all } = useLog.getState();
  if (lists.householdId !== householdId) lists.of.clear();
  lists.householdId = householdId;
  const events = all[instrumentId] ?? [];
  const known = lists.of.get(instrumentId) ?? [];
  const list = onlyGrew(known, events) ? known : [];
  for (let at = list.length; at < events.length; at++) list.push(events[at]!);
  lists.of.set(instrumentId, list);
  return list;
}

/** Goes through the log of the instrument on the stand, so that the first press does not have to. */
export function prepare(): void {
  const { household } = useHousehold.getState();
  const onStand = household && standOf(household, usePreferences.getState().standId);
  if (onStand) sessionIndex(listOf(onStand.id));
}

/**
 * Why entries could not stand in the log, judged one after another by the rules the server judges by; null when they may, or
 * when this device does not know the whole log of their instrument and the server has to say.
 */
export function refusalAmong(entries: readonly LogEvent[]): string | null {
  const { household } = useHousehold.getState();
  const { complete } = useLog.getState();
  const { cards } = useCardStore.getState();
  const places = useAir.getState().air?.places;
  // What was judged joins its list at once, and the log when it is put down.
  const before = new Map<string, LogEvent[]>();
  for (const entry of entries) {
    const { instrumentId } = entry;
    const facts = household?.instruments.find(({ id }) => id === instrumentId);
    if (!household || !facts || (complete !== 'all' && !complete.has(instrumentId))) continue;
    const known = before.get(instrumentId) ?? listOf(instrumentId);
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
