import { Press } from '@/ui/layout';
import { PhotoTile } from './PhotoTile';

export interface PhotoChoiceProps {
  instrumentId: string;
  photo: string;
  label: string;
  on: boolean;
  onPress: () => void;
}

/** A kept photograph that is chosen or not. */
export function PhotoChoice({ instrumentId, photo, label, on, onPress }: PhotoChoiceProps) {
  return (
    <Press
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      onPress={onPress}
      pad={4}
      ground={on ? 'accent' : 'line'}
      round
    >
      <PhotoTile instrumentId={instrumentId} photo={photo} label={label} width={100} height={75} />
    </Press>
  );
}
