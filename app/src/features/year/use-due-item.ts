import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { addCards, changeCard, removeCard, useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notifyProblem } from '@/state/notice';
import { useSubjectNames, useYear } from '@/state/year';
import { subjectOf } from '@tembrin/core/parts';
import { dateWords } from '@/copy/dates';
import { useMoment } from '../air/where';
import { dateOfDay, HOUR_MS, localDay, SECOND_MS, startOfLocalDay } from '@tembrin/core/time';
import { riskOn, type PlannedItem } from '@tembrin/core/year';
import type { Doer } from '@tembrin/core/log';
import { copy } from '@/copy/screens/year/due-item';

/** An item of the year, the day tried for it, and what moving it costs. */
export function useDueItem(item: PlannedItem) {
  const { instruments } = useHousehold((state) => state.household)!;
  const { visits } = useYear();
  const appointments = useCards('appointment');
  const { nowMs, timeZone } = useMoment();
  const [tried, setTried] = useState<number | null>(null);
  const [busy, setBusy] = useState(false);
  const names = useSubjectNames();
  const instrument = instruments.find(({ id }) => id === item.instrumentId);
  const today = localDay(nowMs, timeZone);
  const noon = (day: number) => startOfLocalDay(day, timeZone) + 12 * HOUR_MS;
  const date = (day: number) => (day === today ? 'today' : dateWords(noon(day), nowMs, timeZone));
  const day = tried ?? item.day;
  const risk = riskOn(item, day, timeZone);
  const planned = riskOn(item, item.day, timeZone);
  const moved = day - item.day;
  const card = appointments.find(
    ({ facts }) =>
      subjectOf(facts) === subjectOf(item) &&
      facts.part === item.part &&
      Math.abs(facts.lifeFrom - item.from) < SECOND_MS,
  );
  const together = visits.find((visit) => visit.day === item.day && visit.items.length > 1);
  const save = async (change: { day?: number; by?: Doer }) => {
    setBusy(true);
    const facts = {
      instrumentId: item.instrumentId,
      ...(item.bowId !== null && { bowId: item.bowId }),
      part: item.part,
      date: dateOfDay(change.day ?? item.day),
      lifeFrom: Math.round(item.from),
      by: change.by ?? card?.facts.by ?? null,
    };
    try {
      if (card) await changeCard(card, facts, `Planned for ${date(change.day ?? item.day)}.`);
      else await addCards([{ kind: 'appointment', facts }], `Planned for ${date(change.day ?? item.day)}.`);
      setTried(null);
    } catch (error) {
      notifyProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const clear = () => {
    if (card) void removeCard(card, copy.backToWhereThe);
    setTried(null);
  };
  const nudge = (by: number) => setTried(Math.max(today, day + by));
  return {
    nowMs,
    timeZone,
    setTried,
    busy,
    instrument,
    name: names.get(subjectOf(item)) ?? '',
    today,
    date,
    day,
    risk,
    planned,
    moved,
    card,
    together,
    save,
    clear,
    nudge,
    item,
  };
}

export type DueItemModel = ReturnType<typeof useDueItem>;
