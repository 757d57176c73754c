import { useState } from 'react';
import { v5 as named } from 'uuid';
import { enter } from '@/state/actions';
import { written } from '@/state/log';
import { useLog } from '@/state/log';
import { useHousehold } from '@/state/household';
import { settleAnswer } from '@/state/shares';
import { eventWords } from '@/copy/events';
import { copy } from '@/copy/screens/visits/visit';
import { liveEvents, type LogEvent } from '@tembrin/core/log';
import { dayOfDate, HOUR_MS, localDay, startOfLocalDay } from '@tembrin/core/time';
import { proposalsOf, type Proposal } from '@tembrin/core/visits';
import { useAsking } from '../asking';
import { type AnswerOnRecord, type VisitModel } from './use-visit';

/** Names of entries that come of answers: the same line is the same entry, on whichever device it is taken. */
const NAMES = '6f1f0a52-6a4e-4f0e-9b59-0c6b4c8d2c11';
/** A line may be taken, taken back and taken again. */
const MOST_TIMES = 50;

/** The id a line's entry has, or would have; and whether it stands in the log. */
function entryIdOf(answerId: string, key: string, live: ReadonlySet<string>, all: ReadonlySet<string>) {
  for (let time = 0; time < MOST_TIMES; time++) {
    const id = named(`${answerId} ${key} ${time}`, NAMES);
    if (live.has(id)) return { id, taken: true };
    if (!all.has(id)) return { id, taken: false };
  }
  return { id: named(`${answerId} ${key} ${MOST_TIMES}`, NAMES), taken: false };
}

/** When a line was done, ms: on the day the workshop named, and not later than it was answered. */
function doneAt(answer: AnswerOnRecord, timeZone: string): number {
  const answeredAt = Date.parse(answer.at);
  if (answer.answer.kind !== 'done') return answeredAt;
  const day = dayOfDate(answer.answer.on);
  return day >= localDay(answeredAt, timeZone) ? answeredAt : startOfLocalDay(day, timeZone) + 12 * HOUR_MS;
}

/** What a workshop answered, line by line as the log would have it, and taking it over. */
export function useAnswer(answer: AnswerOnRecord, { visit, away, timeZone }: VisitModel) {
  const events = useLog((state) => state.events);
  const instruments = useHousehold((state) => state.household?.instruments) ?? [];
  const { busy, ask } = useAsking();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const { answer: said, share } = answer;
  const own = said.kind === 'done' ? proposalsOf(said, share.sheets, visit.id) : [];
  const back = away
    .filter(() => said.kind === 'done')
    .map(({ instrument, stay }): Proposal => ({
      key: `${instrument.id} back`,
      instrumentId: instrument.id,
      entry: { type: 'fetched-back', payload: { stayId: stay!.eventId } },
      words: '',
    }));
  const live = new Map<string, ReadonlySet<string>>();
  const liveIn = (id: string) => {
    const known = live.get(id) ?? new Set(liveEvents(events[id] ?? []).map((event) => event.id));
    live.set(id, known);
    return known;
  };
  const at = doneAt(answer, timeZone);
  const lines = [...own, ...back].map(({ key, instrumentId, entry, words }) => {
    const all = new Set((events[instrumentId] ?? []).map((event) => event.id));
    const { id, taken } = entryIdOf(answer.id, key, liveIn(instrumentId), all);
    // Fetching it is known to happen when it is told.
    const when = entry.type === 'fetched-back' ? Date.now() : at;
    const event = { ...written(instrumentId, { ...entry, at: when }), id } as LogEvent;
    const instrument = instruments.find((each) => each.id === instrumentId) ?? null;
    const name = instruments.length > 1 && instrument ? `${instrument.name}: ` : '';
    return { key, taken, event, words: `${name}${eventWords(event, instrument, timeZone)}`, said: words };
  });
  const open = lines.filter(({ taken }) => !taken);
  const chosen = open.filter(({ key }) => !left.has(key));
  const settle = () => settleAnswer(share.id, answer.id);
  return {
    lines,
    open,
    chosen,
    busy,
    isOn: (key: string) => !left.has(key),
    toggle: (key: string) =>
      setLeft((known) =>
        known.has(key) ? new Set([...known].filter((each) => each !== key)) : new Set([...known, key]),
      ),
    settle: () => void ask(settle),
    take: () =>
      void ask(async () => {
        const taken = await enter(
          chosen.map(({ event }) => event),
          copy.taken(chosen.length),
        );
        if (taken.length > 0) await settle();
      }),
  };
}
