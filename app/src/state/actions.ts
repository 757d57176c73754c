import { judgedAgain } from './assessment-store';
import { logOpened, record, written, type Draft } from './log';
import { notify, notifyProblem } from './notice';
import { rulesComing, whyRefused } from './rules';
import type { LogEvent } from '@tembrin/core/log';

/** Records drafts as one act, and offers to take it back. `done` is what the player is told; null tells nothing. */
export function act(instrumentId: string, drafts: readonly Draft[], done: string | null): Promise<readonly LogEvent[]> {
  return enter(
    drafts.map((draft) => written(instrumentId, draft)),
    done,
  );
}

/** Records events that were written already, as one act; nothing, and the player is told why, where they could not stand. */
export async function enter(events: readonly LogEvent[], done: string | null): Promise<readonly LogEvent[]> {
  for (const awaited of [logOpened(), rulesComing()]) if (awaited) await awaited;
  const refused = whyRefused(events);
  if (refused !== null) {
    notifyProblem(refused);
    return [];
  }
  try {
    await record(events);
  } catch {
    notifyProblem(
      'This browser does not let Tembrin keep anything, so nothing was recorded. Allow site data, then try again.',
    );
    return [];
  }
  if (done !== null) notify(done, () => takeBack(events));
  await allJudged(events);
  return events;
}

/** Once it resolves, what every screen shows rests on these entries too. */
async function allJudged(events: readonly Pick<LogEvent, 'instrumentId'>[]): Promise<void> {
  await Promise.all([...new Set(events.map(({ instrumentId }) => instrumentId))].map(judgedAgain));
}

/** Retracts events, newest first. */
export async function takeBack(events: readonly Pick<LogEvent, 'id' | 'instrumentId'>[]): Promise<void> {
  const retractions = [...events]
    .reverse()
    .map(({ id, instrumentId }) => written(instrumentId, { type: 'retracted', payload: { eventId: id } }));
  try {
    await record(retractions);
    await allJudged(events);
  } catch {
    notifyProblem('It could not be taken back on this device. Try again.');
  }
}

/** Retracts events as one act, and offers to put them back. */
export async function retract(instrumentId: string, eventIds: readonly string[], done: string): Promise<void> {
  await act(
    instrumentId,
    eventIds.map((eventId) => ({ type: 'retracted' as const, payload: { eventId } })),
    done,
  );
}
