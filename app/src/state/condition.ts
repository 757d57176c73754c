import {
  conditionOf,
  foldLog,
  schoolsFor,
  type Condition,
  type InstrumentLog,
  type LogEvent,
  type Schools,
  type Situation,
} from '@tembrin/core';
import type { Household, Instrument } from '@tembrin/contract';
import { useMemo } from 'react';
import { useHousehold } from './household';
import { useLog } from './log';
import { useNow } from './now';

export interface Judged {
  log: InstrumentLog;
  condition: Condition;
  schools: Schools;
  /** What the rounds are composed from. */
  situation: Situation;
}

const NONE: readonly LogEvent[] = [];
const MINUTE_MS = 60_000;

/** One instrument's log folded and judged: a pure function of log, settings and time, remembered while none of them changes. */
const judgements = new WeakMap<readonly LogEvent[], { key: string; judged: Judged }>();

function judge(instrument: Instrument, household: Household, events: readonly LogEvent[], nowMs: number): Judged {
  const { timeZone, schools, version } = household;
  const key = `${instrument.id} ${instrument.version} ${household.id} ${version} ${nowMs}`;
  const known = judgements.get(events);
  if (known?.key === key) return known.judged;
  const log = foldLog(events, nowMs, timeZone);
  const sides = schoolsFor(instrument.family, schools, instrument.schools);
  const condition = conditionOf(instrument, log, sides, Date.parse(instrument.addedAt));
  const judged = { log, condition, schools: sides, situation: { facts: instrument, schools: sides, log, condition } };
  judgements.set(events, { key, judged });
  return judged;
}

/** The newest instant in a log, so that what was just recorded is never in the judged moment's future. */
function momentFor(events: readonly LogEvent[], minute: number): number {
  const last = events.at(-1);
  return Math.max(minute * MINUTE_MS, last ? Math.min(Date.parse(last.recordedAt), Date.now()) : 0);
}

/** An instrument's log and condition, judged anew each minute and at each new event. */
export function useJudged(instrument: Instrument): Judged {
  const household = useHousehold((state) => state.household)!;
  const events = useLog((state) => state.events[instrument.id]) ?? NONE;
  const minute = Math.floor(useNow(MINUTE_MS / 4) / MINUTE_MS);
  return useMemo(
    () => judge(instrument, household, events, momentFor(events, minute)),
    [instrument, household, events, minute],
  );
}

/** Whether an instrument's log is all here. */
export function useComplete(instrumentId: string): boolean {
  return useLog(({ complete }) => complete === 'all' || complete.has(instrumentId));
}
