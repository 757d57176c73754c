import type { ReactNode } from 'react';
import { Pressable } from 'react-native';
import { GAP, RADIUS, usePalette } from './theme';

interface OptionFrameProps {
  chosen: boolean;
  label: string;
  onPress: () => void;
  children: ReactNode;
}

/** One of several choices that each need a sentence: a frame, thicker round the one that is chosen. */
export function OptionFrame({ chosen, label, onPress, children }: OptionFrameProps) {
  const { surface, edge, accent, accentTint } = usePalette();
  return (
    <Pressable
      role="radio"
      aria-checked={chosen}
      aria-label={label}
      onPress={onPress}
      style={{
        flexGrow: 1,
        borderRadius: RADIUS,
        borderWidth: chosen ? 2 : 1,
        margin: chosen ? 0 : 1,
        borderColor: chosen ? accent : edge,
        backgroundColor: chosen ? accentTint : surface,
        paddingHorizontal: GAP.one,
        paddingVertical: GAP.half,
      }}
    >
      {children}
    </Pressable>
  );
}
