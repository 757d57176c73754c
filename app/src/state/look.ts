import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Look = 'device' | 'day' | 'night';

/** How the app looks on this device, and what stands on its music stand. Kept in the browser. */
export const useLook = create<{
  look: Look;
  setLook: (look: Look) => void;
  /** Instrument on the stand; null: the household's first. */
  standId: string | null;
  putOnStand: (instrumentId: string) => void;
}>()(
  persist(
    (set) => ({
      look: 'device',
      setLook: (look) => set({ look }),
      standId: null,
      putOnStand: (standId) => set({ standId }),
    }),
    { name: 'tembrin-look' },
  ),
);
