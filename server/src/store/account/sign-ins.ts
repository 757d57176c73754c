import { DAY_MS } from '@tembrin/core';

/** A sign-in ends after so long without use, and after so long in all. From memory: what is usual for what guards no money. */
export const IDLE_MS = 30 * DAY_MS;
export const LONGEST_MS = 90 * DAY_MS;
