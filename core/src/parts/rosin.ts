import { rosinBudget, type RosinBudget } from '../bow';
import { isBowed } from '../instruments';
import { hoursBetween } from '../log';
import { budgetReached } from '../wear';
import type { PartContext, PartRecord } from './part';
import type { ThreadBase } from './thread';

export interface RosinThread extends ThreadBase {
  part: 'rosin';
  minutes: number;
  budget: RosinBudget & { scale: number; rosinings: number };
}

/** The rosin on the hair: a budget of bowing. */
export function rosinThread({ log, pace }: Pick<PartContext, 'log' | 'pace'>): RosinThread {
  const budget = rosinBudget(log);
  const from = log.rosinings.at(-1)?.at ?? null;
  const minutes = hoursBetween(log.playing, from ?? -Infinity, log.nowMs) * 60;
  const reached = (limit: number) => budgetReached((limit - minutes) / 60, log, pace);
  const window = {
    early: reached(budget.dueFrom),
    middle: reached(budget.budget),
    late: reached(budget.overduePast),
  };
  const state =
    minutes >= budget.budget ? 'now' : minutes >= budget.dueFrom ? 'soon' : from === null ? 'unknown' : 'well';
  return { part: 'rosin', state, from, window, dateMissing: false, minutes, budget };
}

/** The rosin on the hair. */
export const rosinPart = {
  name: 'Rosin',
  has: ({ family }) => isBowed(family),
  events: ['rosined'],
  thread: rosinThread,
  due: null,
  begun: null,
  askedAtFirst: false,
} as const satisfies PartRecord<'rosin', RosinThread>;
