import Overlay from '@rneui/themed/dist/Overlay';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { IconButton } from './IconButton';
import { GAP, RADIUS, usePalette, useWide } from './theme';
import { Text } from './Text';
import { Row, Stack } from './layout';

interface SheetProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** What stays at the foot while the rest scrolls: the sheet's action. */
  foot?: ReactNode;
}

/** A sheet from the foot of the screen; on a wide screen it lies in the middle. */
export function Sheet({ title, onClose, children, foot }: SheetProps) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <Overlay
      isVisible
      onBackdropPress={onClose}
      backdropStyle={{ backgroundColor: palette.scrim, ...SQUARE }}
      pressableProps={{ 'aria-hidden': true, tabIndex: -1 }}
      aria-label={title}
      overlayStyle={{
        backgroundColor: palette.surface,
        padding: 0,
        borderRadius: RADIUS * 2,
        width: '100%',
        maxWidth: 520,
        maxHeight: '88%',
        marginTop: wide ? 0 : 'auto',
        borderBottomLeftRadius: wide ? RADIUS * 2 : 0,
        borderBottomRightRadius: wide ? RADIUS * 2 : 0,
        boxShadow: 'none',
      }}
    >
      <Stack shrink>
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
