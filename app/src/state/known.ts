import { use } from 'react';
import { useAir } from './air';
import { THERE } from './assessments';
import { useCardStore } from './cards';
import { useHousehold } from './household';

/** All that is asked answers or fails by itself; a device that does neither keeps nobody waiting for ever. From memory. */
const PATIENCE_MS = 10_000;

let asking: Promise<void> | null = null;

/** Resolves once everybody was asked for the household's air and cards. */
function allAsked(): Promise<void> {
  asking ??= new Promise((resolve) => {
    const end = () => {
      stops.forEach((stop) => stop());
      clearTimeout(timer);
      resolve();
    };
    const look = () => {
      if (!useAir.getState().asked || !useCardStore.getState().asked) return;
      // Another household's are waited for anew.
      asking = null;
      end();
    };
    const stops = [useAir.subscribe(look), useCardStore.subscribe(look)];
    const timer = setTimeout(end, PATIENCE_MS);
  });
  return asking;
}

/** Makes a page wait, where it must, until what this device has of air and cards is there: nothing on it moves when they come. */
export function useKnown(needed: boolean): void {
  const air = useAir((state) => state.asked);
  const cards = useCardStore((state) => state.asked);
  const household = useHousehold((state) => state.household);
  use((air && cards) || !household || !needed ? THERE : allAsked());
}
