import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { showUnits } from '@/copy/units';
import type { ForceUnit, LengthUnit, TemperatureUnit } from '@/copy/measures';

export type Look = 'device' | 'day' | 'night';

/** How the app looks on this device, and what stands on its music stand. Kept in the browser. */
export const usePreferences = create<{
  look: Look;
  setLook: (look: Look) => void;
  /** Instrument on the stand; null: the household's first. */
  standId: string | null;
  putOnStand: (instrumentId: string) => void;
  /** Who plays at this stand; null: who is signed in. */
  personId: string | null;
  setPerson: (personId: string) => void;
  /** The closing round in large type, a tap anywhere going on. */
  handsBusy: boolean;
  setHandsBusy: (handsBusy: boolean) => void;
  /** Steps are read aloud. */
  speaking: boolean;
  setSpeaking: (speaking: boolean) => void;
  lengths: LengthUnit;
  setLengths: (lengths: LengthUnit) => void;
  temperatures: TemperatureUnit;
  setTemperatures: (temperatures: TemperatureUnit) => void;
  forces: ForceUnit;
  setForces: (forces: ForceUnit) => void;
}>()(
  persist(
    (set) => ({
      look: 'device',
      setLook: (look) => set({ look }),
      standId: null,
      putOnStand: (standId) => set({ standId }),
      personId: null,
      setPerson: (personId) => set({ personId }),
      handsBusy: false,
      setHandsBusy: (handsBusy) => set({ handsBusy }),
      speaking: false,
      setSpeaking: (speaking) => set({ speaking }),
      lengths: 'mm',
      setLengths: (lengths) => set({ lengths }),
      temperatures: 'C',
      setTemperatures: (temperatures) => set({ temperatures }),
      forces: 'N',
      setForces: (forces) => set({ forces }),
    }),
    { name: 'tembrin-look' },
  ),
);

showUnits(usePreferences.getState());
usePreferences.subscribe(showUnits);
