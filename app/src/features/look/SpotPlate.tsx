import type { Instrument } from '@tembrin/contract';
import type { GestureResponderEvent } from 'react-native';
import { Press } from '@/ui/layout';
import { Plate, plateWidth } from '@/ui/Plate';
import type { Verdict, Zone } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/look/round';

interface SpotPlateProps {
  instrument: Instrument;
  height: number;
  zone: Zone;
  /** What is marked; shares of the plate. */
  point: { x: number; y: number } | null;
  onPoint: (point: { x: number; y: number } | null) => void;
  verdict: Exclude<Verdict, 'good'>;
}

/** The plate with the zone lit; a tap marks the spot, the next one another. By key the middle of the plate is marked, or unmarked. */
export function SpotPlate({ instrument, height, zone, point, onPoint, verdict }: SpotPlateProps) {
  const press = ({ nativeEvent, currentTarget }: GestureResponderEvent) => {
    const { clientX, clientY, detail } = nativeEvent as unknown as MouseEvent;
    // A key is no place: it marks the middle, or takes the mark away.
    if (!detail) return onPoint(point ? null : { x: 0.5, y: 0.5 });
    const { left, top } = (currentTarget as unknown as HTMLElement).getBoundingClientRect();
    const across = (clientX - left) / plateWidth(instrument, height);
    const down = (clientY - top) / height;
    if (across > 1 || down > 1) return;
    onPoint({ x: instrument.setUp.leftHanded ? 1 - across : across, y: down });
  };
  return (
    <Press role="button" aria-label={point ? copy.spotMarked : copy.markSpot} onPress={press} self="start">
      <Plate
        subject={instrument}
        height={height}
        lit={zone}
        withBow
        found={point ? [{ key: 'spot', zone, point, verdict }] : []}
      />
    </Press>
  );
}
