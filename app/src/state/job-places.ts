import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What a device keeps of a piece of work that is under way. */
export interface JobPlace {
  step: string;
  /** What it turned out to be, where that is looked for. */
  note: string;
  /** Until when it rests at the step in work, ms; null: it does not. */
  restsUntil: number | null;
}

const BEGINNING: JobPlace = { step: '', note: '', restsUntil: null };

/** How far each guided job has come on this device: its step in work. What is done is in the log. */
export const useJobPlaces = create<{
  places: Readonly<Record<string, JobPlace>>;
  goTo: (workId: string, step: string, restsUntil?: number | null) => void;
  noted: (workId: string, note: string) => void;
  forget: (workId: string) => void;
}>()(
  persist(
    (set) => ({
      places: {},
      goTo: (workId, step, restsUntil = null) =>
        set(({ places }) => ({
          places: { ...places, [workId]: { ...BEGINNING, ...places[workId], step, restsUntil } },
        })),
      noted: (workId, note) =>
        set(({ places }) => ({ places: { ...places, [workId]: { ...BEGINNING, ...places[workId], note } } })),
      forget: (workId) =>
        set(({ places }) => ({ places: Object.fromEntries(Object.entries(places).filter(([id]) => id !== workId)) })),
    }),
    {
      name: 'tembrin-jobs',
      version: 1,
      // Before, the step alone was kept.
      migrate: (kept) => {
        const { places = {} } = kept as { places?: Record<string, unknown> };
        const steps = Object.entries(places).flatMap(([id, step]) =>
          typeof step === 'string' ? [[id, { ...BEGINNING, step }] as const] : [],
        );
        return { places: Object.fromEntries(steps) };
      },
    },
  ),
);
