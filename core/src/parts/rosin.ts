import { bowedSince, rosinBudget, rosinSince, type RosinBudget, type RosinSince } from '../bow';
import { isBowed } from '../instruments';
import { budgetReached } from '../wear';
import type { PartContext, PartRecord } from './part';
import type { ThreadBase, ThreadState } from './thread';

export interface RosinThread extends ThreadBase {
  part: 'rosin';
  /** What its count begins with. */
  since: RosinSince['kind'];
  /** Bowing since then, as far as it is on record. */
  minutes: number;
  budget: RosinBudget & { scale: number; rosinings: number };
}

/** The rosin on the hair: a budget of bowing, from the last rosining on; new hair has none. */
export function rosinThread({ log, pace }: Pick<PartContext, 'log' | 'pace'>): RosinThread {
  const budget = rosinBudget(log);
  const since = rosinSince(log);
  const minutes = bowedSince(log, since);
  const common = { part: 'rosin' as const, since: since.kind, dateMissing: false, minutes, budget };
  const spent: ThreadState = minutes >= budget.budget ? 'now' : minutes >= budget.dueFrom ? 'soon' : 'well';
  if (since.kind === 'new-hair') return { ...common, state: 'now', from: since.at, window: null };
  // How much was bowed before the log began nobody knows: what is on record may be enough to say that it is due.
  if (since.kind === 'not-known')
    return { ...common, state: spent === 'well' ? 'unknown' : spent, from: null, window: null };
  const reached = (limit: number) => budgetReached((limit - minutes) / 60, log, pace);
  const window = {
    early: reached(budget.dueFrom),
    middle: reached(budget.budget),
    late: reached(budget.overduePast),
  };
  return { ...common, state: spent, from: since.at, window };
}

/** The rosin on the hair. */
export const rosinPart = {
  has: ({ family }) => isBowed(family),
  events: ['rosined', 'rehaired'],
  thread: rosinThread,
  due: null,
  begun: null,
  askedAtFirst: false,
} as const satisfies PartRecord<'rosin', RosinThread>;
