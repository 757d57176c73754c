import type { StepId } from '../../log';
import type { StepData } from '../step';
import { AWAY_STEPS } from './away';
import { EXTRA_STEPS } from './extras';
import { WIPE_STEPS } from './wipes';

/** The closing round as data [handbook 2]. The order is that which is the same in all good practice. */
export const CLOSING_STEPS: readonly StepData<StepId>[] = [...WIPE_STEPS, ...EXTRA_STEPS, ...AWAY_STEPS];
