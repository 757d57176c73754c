import { DAY_MS, HOUR_MS, type LogEvent } from '@tembrin/core';

/** Ten years of daily use of one violin, so many sessions a day. */
export function tenYears(times: number, nowMs: number): LogEvent[] {
  let count = 0;
  const id = () => `00000000-0000-7000-8000-${String(++count).padStart(12, '0')}`;
  const instrumentId = id();
  const events: LogEvent[] = [];
  const add = (type: LogEvent['type'], atMs: number, payload: object) => {
    const time = new Date(atMs).toISOString();
    const event = { id: id(), instrumentId, type, occurredAt: time, recordedAt: time, payload } as LogEvent;
    events.push(event);
    return event.id;
  };
  const days = 3650;
  const perDay = times;
  for (let day = days; day > 0; day--) {
    for (let turn = 0; turn < perDay; turn++) {
      const at = nowMs - day * DAY_MS + turn * 2 * HOUR_MS;
      const sessionId = add('session-began', at, {});
      add('session-ended', at + 0.7 * HOUR_MS, { sessionId });
      if (day % 4 !== 0) add('step-done', at + 0.71 * HOUR_MS, { step: 'slacken', sessionId });
      if (day % 9 === 0) add('rosined', at - 60_000, {});
    }
    if (day % 330 === 0) add('strings-fitted', nowMs - day * DAY_MS, { strings: null, reason: 'worn', known: true });
    if (day % 700 === 0) add('rehaired', nowMs - day * DAY_MS, { reason: 'worn', known: true });
  }
  add('checked-up', nowMs - 90 * DAY_MS, { known: true });
  return events;
}

export function median(values: number[]): number {
  return values.sort((a, b) => a - b)[values.length >> 1]!;
}
