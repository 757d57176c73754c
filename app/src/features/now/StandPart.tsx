import { Redirect, useLocalSearchParams } from 'expo-router';
import { useInstrumentOnStand } from '@/state/stand';
import { useWide } from '@/ui/theme';
import { PartScreen } from '../kit/kit-routes';
import { isPart } from '../part/parts';
import { Stand } from './Stand';

/** The working of something due on the stand: a screen on a phone, the second pane on a wide screen. */
export function StandPart() {
  const { part } = useLocalSearchParams<{ part: string }>();
  const wide = useWide();
  const instrument = useInstrumentOnStand();
  if (!instrument || !isPart(part)) return <Redirect href="/now" />;
  return wide ? (
    <Stand key={instrument.id} instrument={instrument} part={part} />
  ) : (
    <PartScreen instrument={instrument} part={part} back="/now" />
  );
}
