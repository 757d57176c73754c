import { Slot, usePathname } from 'expo-router';
import { Beside } from '@/ui/Beside';
import { Bench } from './Bench';

/** Drills and guides beside the bench; a change of strings has the whole width. */
export function BenchBeside() {
  const path = usePathname();
  return (
    <Beside list={path === '/bench' || path === '/bench/change' ? null : <Bench />}>
      <Slot />
    </Beside>
  );
}
