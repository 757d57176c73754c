import RneButton from '@rneui/themed/dist/Button';
import type { StyleProp, ViewStyle } from 'react-native';
import { RADIUS, TOUCH, TYPE, usePalette } from './theme';

interface ButtonProps {
  title: string;
  onPress: () => void;
  /** solid: the one primary action; outline: another; plain: the least. */
  rank?: 'solid' | 'outline' | 'plain';
  busy?: boolean;
  disabled?: boolean;
  /** Key that does the same, told to screen readers. */
  hotkey?: string;
  label?: string;
  style?: StyleProp<ViewStyle>;
}

/** A button of the workshop: flat, at least 48 px high. */
export function Button({ title, onPress, rank = 'solid', busy, disabled, hotkey, label, style }: ButtonProps) {
  const { accent, onAccent, text, edge, line, quiet } = usePalette();
  const colour = rank === 'solid' ? onAccent : rank === 'outline' ? text : accent;
  return (
    <RneButton
      title={title}
      type={rank === 'solid' ? 'solid' : rank === 'outline' ? 'outline' : 'clear'}
      onPress={onPress}
      loading={busy}
      disabled={disabled}
      aria-label={label}
      aria-keyshortcuts={hotkey}
      titleStyle={[rank === 'plain' ? TYPE.strong : TYPE.button, { color: colour }]}
      buttonStyle={{
        minHeight: rank === 'plain' ? TOUCH : TOUCH + 6,
        paddingHorizontal: rank === 'plain' ? 8 : 20,
        borderRadius: RADIUS,
        ...(rank === 'outline' && { borderColor: edge, borderWidth: 1.5 }),
      }}
      disabledStyle={rank === 'solid' ? { backgroundColor: line } : undefined}
      disabledTitleStyle={{ color: quiet }}
      containerStyle={[{ borderRadius: RADIUS }, style]}
    />
  );
}
