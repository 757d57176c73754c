import { create } from 'zustand';

/** Keys of hygrometers made a moment ago: shown once, kept nowhere. */
export const useFreshKeys = create<{
  keys: Readonly<Record<string, string>>;
  remember: (sensorId: string, key: string) => void;
  forget: (sensorId: string) => void;
}>()((set) => ({
  keys: {},
  remember: (sensorId, key) => set(({ keys }) => ({ keys: { ...keys, [sensorId]: key } })),
  forget: (sensorId) => set(({ keys: { [sensorId]: _gone, ...keys } }) => ({ keys })),
}));
