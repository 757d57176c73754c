import { use } from 'react';
import { useAir } from './air';
import { allAsked } from './asked';
import { THERE } from './assessments';
import { useCardStore } from './cards';
import { useHousehold } from './household';

/** Makes a page wait, where it must, until what this device has of air and cards is there: nothing on it moves when they come. */
export function useKnown(needed: boolean): void {
  const air = useAir((state) => state.asked);
  const cards = useCardStore((state) => state.asked);
  const household = useHousehold((state) => state.household);
  use((air && cards) || !household || !needed ? THERE : allAsked());
}
