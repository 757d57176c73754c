import { Text, type TextProps } from 'react-native';
import { TYPE, usePalette, type Palette, type TypeName } from './theme';

interface WordsProps extends TextProps {
  kind?: TypeName;
  tone?: keyof Palette;
  /** Level of a heading, for screen readers. */
  level?: 1 | 2 | 3;
}

/** All text on screen goes through here. */
export function Words({ kind = 'body', tone = 'text', level, style, ...rest }: WordsProps) {
  const palette = usePalette();
  const heading = level && ({ role: 'heading', 'aria-level': level } as const);
  return <Text {...heading} {...rest} style={[TYPE[kind], { color: palette[tone] }, style]} />;
}
