import { CAR_GAIN_C, GLUE_SOFTENS_C } from '../air';
import { PACKING_STEPS, type PackingStepId } from './packing-steps';
import { roundStep, type RoundStep, type Situation } from './rounds';
import { stepsFor } from './step';

/** Cold from which a closed case has to warm through before it is opened, °C. From memory. */
const COLD_WAY_C = 8;

/**
 * What to look at before this instrument leaves home.
 * @param outdoorsC warmest of the coming hours, °C; null where no weather is known
 */
export function packingRound(situation: Situation, outdoorsC: number | null = null): RoundStep<PackingStepId>[] {
  const { facts, schools } = situation;
  const carC = outdoorsC === null ? null : outdoorsC + CAR_GAIN_C;
  const warns = outdoorsC !== null && carC !== null && (carC >= GLUE_SOFTENS_C - 10 || outdoorsC <= COLD_WAY_C);
  return stepsFor(PACKING_STEPS, facts, schools).map((data) =>
    roundStep(data, situation, data.id === 'pack-car' && warns ? { code: 'car', carC, outdoorsC } : null),
  );
}
