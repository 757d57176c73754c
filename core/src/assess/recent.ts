import type { InstrumentFacts } from '../instruments';
import type { InstrumentLog } from '../log';
import { DAY_MS } from '../time';
import type { Assessment } from './assessment';

/** What a stand tells of goes back no further, days: the trainer looks thirty back. Common practice: a month and a half. */
export const RECENT_DAYS = 45;

/** A log whose long lists begin lately; of each step its last record stays besides, done and not done. */
function recentLog(log: InstrumentLog): InstrumentLog {
  const from = log.nowMs - RECENT_DAYS * DAY_MS;
  const last = new Set([...new Map(log.steps.map((record) => [`${record.step} ${record.done}`, record])).values()]);
  const lastSession = log.sessions.at(-1);
  return {
    ...log,
    sessions: log.sessions.filter((session) => session.beganAt >= from || session === lastSession),
    steps: log.steps.filter((record) => record.at >= from || record.sessionId === lastSession?.id || last.has(record)),
  };
}

/**
 * A judgement to be kept for the next opening: all that was worked out, and of the log as much as the stand tells. Ten years of playing
 * are a hundred times longer to read than this.
 */
export function recentOf<Facts extends InstrumentFacts>(assessment: Assessment<Facts>): Assessment<Facts> {
  const { log } = assessment;
  const own = recentLog(log);
  // A bow that is the only one has the instrument's log: it is kept once.
  const bows = assessment.bows.map((bow) => ({ ...bow, log: bow.log === log ? own : recentLog(bow.log) }));
  return { ...assessment, log: own, bows };
}
