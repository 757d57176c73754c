import type { LucideIcon } from 'lucide-react-native';
import { Pressable } from 'react-native';
import { TOUCH, usePalette } from './theme';

/** A control that is only a picture; its label is for screen readers. */
export function IconButton({
  icon: Icon,
  label,
  onPress,
  disabled = false,
}: {
  icon: LucideIcon;
  label: string;
  onPress: () => void;
  disabled?: boolean;
}) {
  const { text, edge } = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      disabled={disabled}
      style={{ width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' }}
    >
      <Icon size={24} color={disabled ? edge : text} aria-hidden />
    </Pressable>
  );
}
