import { BODY_CAUSES } from './body';
import { BOW_CAUSES } from './bow';
import type { Cause } from './cause';
import { PLUCKED_CAUSES } from './plucked';
import { STRING_CAUSES } from './strings';

export type { Cause, HowSoon, Mark, Mender } from './cause';

const ALL = { ...BOW_CAUSES, ...STRING_CAUSES, ...BODY_CAUSES, ...PLUCKED_CAUSES } as const;

/** Everything that can be wrong, by its id. */
export const CAUSES: Readonly<Record<CauseId, Cause>> = ALL;
export type CauseId = keyof typeof ALL;
