import type { ReactNode } from 'react';
import { View } from 'react-native';
import { GAP, usePalette, type Palette } from './theme';
import { Text } from './Text';

/** A line that stands above the rest of a screen until it is dealt with. A bar at its edge says how pressing it is. */
export function Banner({
  tone,
  text,
  children,
}: {
  tone: 'soon' | 'now' | 'well';
  text: string;
  children?: ReactNode;
}) {
  const palette: Palette = usePalette();
  return (
    <View
      role="alert"
      style={{
        backgroundColor: palette.surface,
        borderLeftWidth: 5,
        borderLeftColor: palette[tone],
        paddingVertical: GAP.half,
        paddingHorizontal: GAP.one,
        gap: GAP.small,
      }}
    >
      <Text kind="small">{text}</Text>
      {children}
    </View>
  );
}
