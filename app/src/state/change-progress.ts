import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** How far each guided change has come on this device: its step in work. What is on is in the log. */
export const useJobPlaces = create<{
  places: Readonly<Record<string, string>>;
  goTo: (changeId: string, stepId: string) => void;
  forget: (changeId: string) => void;
}>()(
  persist(
    (set) => ({
      places: {},
      goTo: (changeId, stepId) => set(({ places }) => ({ places: { ...places, [changeId]: stepId } })),
      forget: (changeId) =>
        set(({ places }) => ({ places: Object.fromEntries(Object.entries(places).filter(([id]) => id !== changeId)) })),
    }),
    { name: 'tembrin-jobs' },
  ),
);
