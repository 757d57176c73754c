import type { InstrumentLog, StepRecord } from '../log';
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

/** When a bow was slackened, found once for each list of steps: several ask for it. */
const found = new WeakMap<readonly StepRecord[], readonly StepRecord[]>();
function slackeningsIn(steps: readonly StepRecord[]): readonly StepRecord[] {
  const known = found.get(steps);
  if (known) return known;
  const slackenings = steps.filter((record) => record.done && record.step === 'slacken');
  found.set(steps, slackenings);
  return slackenings;
}

/**
 * Hours the bow stood under tension while not playing [handbook 2.1]: from the end of a session in which it was not
 * slackened to the next slackening, the next session, or now.
 * @param sinceMs only tension after this instant counts, such as the last rehair; -Infinity for all on record
 */
export function bowTension(log: InstrumentLog, sinceMs = -Infinity): BowTension {
  const slackenings = slackeningsIn(log.steps);
  let next = 0;
  let idleHours = 0;
  let times = 0;
  let tightSince: number | null = null;
  log.sessions.forEach((session, at) => {
    if (session.endedAt === null) return;
    while (next < slackenings.length && slackenings[next]!.at < session.beganAt) next++;
    const slackened = slackenings[next]?.at ?? Infinity;
    const following = log.sessions[at + 1]?.beganAt ?? Infinity;
    const until = Math.min(slackened, following, log.nowMs);
    const hours = Math.max(0, until - Math.max(session.endedAt, sinceMs)) / HOUR_MS;
    idleHours += hours;
    if (hours >= LEFT_TIGHT_H) times++;
    if (slackened === Infinity && following === Infinity) tightSince = session.endedAt;
  });
  return { idleHours, times, tightSince };
}
