import { useAir } from '@/state/air';
import { useHousehold } from '@/state/household';
import { useInstrumentOnStand } from '@/state/stand';
import { SECTIONS } from './sections';

/** Whose page an address is and where in the app, from near to far: "Heron", "Kit". */
export function usePageTrail(path: string): readonly string[] {
  const [section, first, second] = path.split('/').filter((part) => part !== '');
  const instruments = useHousehold((state) => state.household?.instruments) ?? [];
  const place = useAir((state) => state.air?.places.find(({ id }) => id === first)?.name);
  const onStand = useInstrumentOnStand()?.name;
  const named = (id: string | undefined) => instruments.find((each) => each.id === id)?.name;
  const subjects = {
    now: [onStand],
    kit: [named(first)],
    air: first === 'wood' ? [named(second), 'Wood'] : [place],
    year: [],
    bench: first === undefined ? [] : [onStand],
  };
  const here = SECTIONS.find(({ id }) => id === section);
  return here ? [...subjects[here.id], here.title].filter((name) => name !== undefined) : [];
}
