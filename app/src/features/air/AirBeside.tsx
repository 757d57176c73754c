import { Slot, usePathname } from 'expo-router';
import { Beside } from '@/ui/Beside';
import { Air } from './Air';

/** Pages about the air, beside the rooms; a room itself is shown there already. */
export function AirBeside() {
  const path = usePathname();
  const [, , first, second] = path.split('/');
  const room = first === undefined || (second === undefined && /^[0-9a-f-]{36}$/.test(first));
  return (
    <Beside list={room ? null : <Air />}>
      <Slot />
    </Beside>
  );
}
