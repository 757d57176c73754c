import RneButton from '@rneui/themed/dist/Button';
import type { StyleProp, ViewStyle } from 'react-native';
import { GAP, RADIUS, TOUCH, TYPE, usePalette } from './theme';

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
  /** Takes its share of the room beside others. */
  grow?: boolean | number;
  /** As wide as its title, at the left. */
  start?: boolean;
  /** Its title lines up with the text above it. */
  flush?: boolean;
  maxWidth?: number;
  style?: StyleProp<ViewStyle>;
}

type Place = Pick<ButtonProps, 'grow' | 'start' | 'flush' | 'maxWidth'>;

function placeOf({ grow, start, flush, maxWidth }: Place): ViewStyle {
  return {
    ...(grow && { flex: grow === true ? 1 : grow }),
    ...(start && { alignSelf: 'flex-start' }),
    ...(flush && { marginLeft: -GAP.small }),
    ...(maxWidth !== undefined && { maxWidth }),
  };
}

/** A button of the workshop: flat, at least 48 px high. */
export function Button({
  title,
  onPress,
  rank = 'solid',
  busy,
  disabled,
  hotkey,
  label,
  style,
  ...place
}: ButtonProps) {
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
      disabledStyle={rank === 'solid' ? { backgroundColor: line } : { borderColor: edge }}
      disabledTitleStyle={{ color: quiet }}
      containerStyle={[{ borderRadius: RADIUS }, placeOf(place), style]}
    />
  );
}
