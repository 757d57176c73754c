import { DAY_MS } from '../time';
import { equilibriumMoisture, restHumidity } from './moisture';

/** Most moisture an instrument is asked to gain or lose in one step, fraction. From memory: about 5 % of humidity. */
const STEP = 0.009;
/** Change below which nothing needs to be arranged. */
const NOTHING = 0.006;
/** A step lasts two time constants of a thin plate in a closed case, so that six sevenths of it are done. */
const STEP_DAYS = 20;

export interface ClimateStep {
  fromMs: number;
  toMs: number;
  /** Held round the instrument in this step, fraction. */
  rh: number;
  moisture: number;
}

export interface MovingPlan {
  /** Empty when the climates are near enough. */
  steps: ClimateStep[];
  fromMoisture: number;
  toMoisture: number;
  /** When it may live there like everything else. */
  doneMs: number;
}

/** A climate as what a hygrometer and a thermometer show on most days. */
export interface Climate {
  rh: number;
  tempC: number;
}

/**
 * Moves an instrument between two climates in steps: none of them asks more of the wood than it takes without harm.
 * @param startMs when it leaves the first
 */
export function movingPlan(from: Climate, to: Climate, startMs: number): MovingPlan {
  const fromMoisture = equilibriumMoisture(from.rh, from.tempC);
  const toMoisture = equilibriumMoisture(to.rh, to.tempC);
  const change = toMoisture - fromMoisture;
  if (Math.abs(change) < NOTHING) return { steps: [], fromMoisture, toMoisture, doneMs: startMs };
  const count = Math.ceil(Math.abs(change) / STEP);
  const steps = Array.from({ length: count }, (_, at): ClimateStep => {
    const moisture = fromMoisture + (change * (at + 1)) / count;
    const fromMs = startMs + at * STEP_DAYS * DAY_MS;
    return { fromMs, toMs: fromMs + STEP_DAYS * DAY_MS, rh: restHumidity(moisture, to.tempC), moisture };
  });
  return { steps, fromMoisture, toMoisture, doneMs: steps.at(-1)!.toMs };
}
