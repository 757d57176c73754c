import type { LucideIcon } from 'lucide-react-native';
import { Pressable } from 'react-native';
import { TOUCH, usePalette } from './theme';

/** A control that is only a picture; its label is for screen readers. */
export function IconButton({ icon: Icon, label, onPress }: { icon: LucideIcon; label: string; onPress: () => void }) {
  const { text } = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      style={{ width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' }}
    >
      <Icon size={24} color={text} aria-hidden />
    </Pressable>
  );
}
