import { Slot, usePathname } from 'expo-router';
import { Beside } from '@/ui/Beside';
import { InstrumentScreen } from './InstrumentScreen';
import { Kit } from './Kit';
import { useRouteInstrument } from './route-instrument';

/** Pages about the household, beside its instruments. */
export function KitBeside() {
  const path = usePathname();
  const own = ['/kit/add', '/kit/household', '/kit/schools', '/kit/spares'].includes(path);
  return (
    <Beside list={own ? <Kit /> : null}>
      <Slot />
    </Beside>
  );
}

/** Pages about an instrument, beside the instrument. */
export function InstrumentBeside() {
  const path = usePathname();
  const instrument = useRouteInstrument();
  const shown = instrument && path !== `/kit/${instrument.id}`;
  return (
    <Beside list={shown ? <InstrumentScreen key={instrument.id} instrument={instrument} /> : null}>
      <Slot />
    </Beside>
  );
}
