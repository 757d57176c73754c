import { Slot, usePathname } from 'expo-router';
import { Beside } from '@/ui/Beside';
import { YearRoute } from './year-route';

/** Pages about the year, beside it. */
export function YearBeside() {
  const path = usePathname();
  const own = ['/year/calendar', '/year/costs', '/year/diary', '/year/records'].includes(path);
  return (
    <Beside list={own ? <YearRoute /> : null}>
      <Slot />
    </Beside>
  );
}
