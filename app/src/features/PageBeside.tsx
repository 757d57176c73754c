import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { useHousehold } from '@/state/household';
import { Beside } from '@/ui/Beside';
import { AccountScreen, People } from './account/routes';
import { AirRoute } from './air/routes';
import { Bench } from './bench/routes';
import { InstrumentScreen, Kit } from './kit/kit-routes';
import { YearRoute } from './year/routes';

const OF_THE_HOUSEHOLD = [
  'account',
  'add',
  'cupboard',
  'given',
  'household',
  'people',
  'reminders',
  'schools',
  'spares',
  'take',
  'work',
];
const OF_THE_AIR = ['add', 'keeping', 'moving', 'wood', 'hygrometers'];
const ALONE_ON_THE_BENCH = ['change', 'looking', 'wrong'];
const OF_THE_YEAR = ['calendar', 'contacts', 'costs', 'diary', 'records', 'visits'];

/** The list a page was chosen from; null where the page is the list itself, or needs the whole width. */
function useListOf(path: string): ReactNode | null {
  const instruments = useHousehold((state) => state.household?.instruments) ?? [];
  const [section, first, second] = path.split('/').filter((part) => part !== '');
  switch (section) {
    case 'kit': {
      if (first === 'people' && second !== undefined) return <People />;
      if (first === 'account' && second !== undefined) return <AccountScreen />;
      if (first !== undefined && OF_THE_HOUSEHOLD.includes(first)) return <Kit />;
      const instrument = second === undefined ? undefined : instruments.find(({ id }) => id === first);
      return instrument ? <InstrumentScreen key={instrument.id} instrument={instrument} /> : null;
    }
    case 'air':
      return first !== undefined && (second !== undefined || OF_THE_AIR.includes(first)) ? <AirRoute /> : null;
    case 'year':
      return first !== undefined && OF_THE_YEAR.includes(first) ? <YearRoute /> : null;
    case 'bench':
      // A job has the list of jobs beside it.
      if (first === 'jobs' && second !== undefined) return null;
      return first === undefined || ALONE_ON_THE_BENCH.includes(first) ? null : <Bench />;
    default:
      return null;
  }
}

/** On a wide screen a page stands beside the list it was chosen from. */
export function PageBeside({ children }: { children: ReactNode }) {
  const list = useListOf(usePathname());
  return <Beside list={list}>{children}</Beside>;
}
