import { bisector } from 'd3-array';
import { recordsOf, type InstrumentLog, type Session, type StepRecord } from '../log';
import { HOUR_MS } from '../time';

/** How long a bow stood tight while nobody played. */
export interface BowTension {
  /** Hours under tension while not playing, since the instant asked about. */
  idleHours: number;
  /** Times it was left tight for an hour or longer. */
  times: number;
  /** Since when it is tight now and not being played; null when it is slack or in use. */
  tightSince: number | null;
}

const LEFT_TIGHT_H = 1;

const byBeginning = bisector(({ beganAt }: Session) => beganAt);
const byTime = bisector(({ at }: StepRecord) => at);

/**
 * Hours the bow stood under tension while not playing [handbook 2.1]: from the end of a session in which it was not
 * slackened to the next slackening, the next session, or now.
 * @param sinceMs only tension after this instant counts, such as the last rehair; -Infinity for all on record
 */
export function bowTension(log: InstrumentLog, sinceMs = -Infinity): BowTension {
  const { sessions } = log;
  const slackenings = recordsOf(log, 'slacken');
  // What the sessions before the one that begins last by then left is over by then.
  const first = Math.max(0, byBeginning.right(sessions, sinceMs) - 1);
  let next = first < sessions.length ? byTime.left(slackenings, sessions[first]!.beganAt) : 0;
  let idleHours = 0;
  let times = 0;
  let tightSince: number | null = null;
  for (let at = first; at < sessions.length; at++) {
    const session = sessions[at]!;
    if (session.endedAt === null) continue;
    for (; next < slackenings.length; next++) {
      const { done, at: slackenedAt } = slackenings[next]!;
      if (done && slackenedAt >= session.beganAt) break;
    }
    const slackened = slackenings[next]?.at ?? Infinity;
    const following = sessions[at + 1]?.beganAt ?? Infinity;
    const until = Math.min(slackened, following, log.nowMs);
    const hours = Math.max(0, until - Math.max(session.endedAt, sinceMs)) / HOUR_MS;
    idleHours += hours;
    if (hours >= LEFT_TIGHT_H) times++;
    if (slackened === Infinity && following === Infinity) tightSince = session.endedAt;
  }
  return { idleHours, times, tightSince };
}
