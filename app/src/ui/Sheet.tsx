import Overlay from '@rneui/themed/dist/Overlay';
import X from 'lucide-react-native/icons/x';
import { useState, type ReactNode } from 'react';
import { ScrollView, type ViewStyle } from 'react-native';
import { IconButton } from './IconButton';
import { GAP, RADIUS, RAIL, usePalette, useWide } from './theme';
import { Text } from './Text';
import { Row, Stack } from './layout';

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** What stays at the foot while the rest scrolls: the sheet's action. */
  foot?: ReactNode;
}

/** The side away from what was pressed, so that what the sheet changes stays in sight; to the right where nothing was. */
function sideAway(): 'left' | 'right' {
  const pressed = typeof document === 'undefined' ? null : document.activeElement;
  if (!pressed || pressed === document.body) return 'right';
  const { left, right } = pressed.getBoundingClientRect();
  return (left + right) / 2 > window.innerWidth / 2 ? 'left' : 'right';
}

/** A sheet from the foot of the screen; on a wide screen it stands at one side, beside what it changes. */
export function Sheet({ title, onClose, children, foot }: SheetProps) {
  const palette = usePalette();
  const wide = useWide();
  const [side] = useState(sideAway);
  const place: ViewStyle = wide
    ? { ...BESIDE, ...(side === 'left' ? { marginLeft: RAIL, marginRight: 'auto' } : { marginLeft: 'auto' }) }
    : FROM_FOOT;
  return (
    <Overlay
      isVisible
      onBackdropPress={onClose}
      backdropStyle={{ backgroundColor: wide ? palette.veil : palette.scrim, ...SQUARE }}
      pressableProps={{ 'aria-hidden': true, tabIndex: -1 }}
      aria-label={title}
      overlayStyle={{
        backgroundColor: palette.surface,
        padding: 0,
        borderRadius: RADIUS * 2,
        width: '100%',
        maxWidth: 520,
        boxShadow: 'none',
        ...place,
      }}
    >
      <Stack shrink grow={wide}>
        <Row padTop="half" padLeft="more" padRight="small" align="center">
          <Text kind="heading" level={2} grow>
            {title}
          </Text>
          <IconButton icon={X} label="Close" onPress={onClose} />
        </Row>
        <ScrollView contentContainerStyle={{ padding: GAP.more, paddingTop: GAP.small, gap: GAP.one }}>
          {children}
        </ScrollView>
        {foot && (
          <Stack pad="more" padTop="small" gap="small">
            {foot}
          </Stack>
        )}
      </Stack>
    </Overlay>
  );
}

const SQUARE = { borderRadius: 0 } as const;
const FROM_FOOT = {
  maxHeight: '88%',
  marginTop: 'auto',
  borderBottomLeftRadius: 0,
  borderBottomRightRadius: 0,
} as const;
const BESIDE = { height: '100%', borderRadius: 0 } as const;
