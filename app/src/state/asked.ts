import { useAir } from './air';
import { useCardStore } from './cards';

/** All that is asked answers or fails by itself; a device that does neither keeps nobody waiting for ever. From memory. */
const PATIENCE_MS = 10_000;

const areAsked = () => useAir.getState().asked && useCardStore.getState().asked;
let asking: Promise<void> | null = null;

/** Resolves once everybody was asked for the household's air and cards. */
export function allAsked(): Promise<void> {
  if (areAsked()) return Promise.resolve();
  asking ??= new Promise((resolve) => {
    const end = () => {
      stops.forEach((stop) => stop());
      clearTimeout(timer);
      resolve();
    };
    const look = () => {
      if (!areAsked()) return;
      // Another household's are waited for anew.
      asking = null;
      end();
    };
    const stops = [useAir.subscribe(look), useCardStore.subscribe(look)];
    const timer = setTimeout(end, PATIENCE_MS);
  });
  return asking;
}
