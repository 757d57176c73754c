import { LIFE_LOG_SD } from '../strings/life';
import type { Life } from '../upkeep/wear';

/** The two-clock life of bow hair [handbook 6]: 6 months at 3.5 h/day, 24 months at 0.5 h/day. */
export const HAIR_LIFE: Life = { hours: 727, days: 1466, logSd: LIFE_LOG_SD };

/** The hair is looked over once a year whatever its wear [handbook 6]; in days. */
export const HAIR_LOOK_DAYS = 365;
