import { StyleSheet, Text as NativeText, type TextProps as NativeTextProps, type TextStyle } from 'react-native';
import { arrive } from './arrival';
import { madeOnce, useBox, type Box } from './layout';
import { TYPE, usePalette, type Palette, type TypeName } from './theme';

interface TextProps
  extends
    NativeTextProps,
    Pick<Box, 'grow' | 'shrink' | 'width' | 'minWidth' | 'padTop' | 'padBottom' | 'padX' | 'padY' | 'padRight'> {
  kind?: TypeName;
  tone?: keyof Palette;
  /** Ends at the right edge, as figures do. */
  end?: boolean;
  middle?: boolean;
  /** Only for those who listen to the screen. */
  unseen?: boolean;
  /** Long words without a gap, like an address, may be broken. */
  breaks?: boolean;
  /** Level of a heading, for screen readers. */
  level?: 1 | 2 | 3;
}

const OWN = StyleSheet.create({
  // Where one has arrived is no control: it needs no ring.
  arrival: { outlineWidth: 0 },
  // Known to the web alone.
  breaks: { wordBreak: 'break-all' } as TextStyle,
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0 },
  end: { textAlign: 'right' },
  middle: { textAlign: 'center' },
});

/** All text on screen goes through here. */
export function Text({ kind = 'body', tone = 'text', level, style, ...props }: TextProps) {
  const palette = usePalette();
  const heading = level && ({ role: 'heading', 'aria-level': level } as const);
  const arrival = level === 1 && ({ ref: arrive, tabIndex: -1 } as const);
  const [layout, { end, middle, unseen, breaks, ...rest }] = useBox<Omit<TextProps, keyof Box>>(props);
  const own = [
    level === 1 && OWN.arrival,
    end && OWN.end,
    middle && OWN.middle,
    breaks && OWN.breaks,
    unseen && OWN.unseen,
  ];
  return (
    <NativeText
      {...heading}
      {...arrival}
      {...rest}
      style={[TYPE[kind], madeOnce({ color: palette[tone] }), layout as TextStyle, own, style]}
    />
  );
}
