import type { ReactNode } from 'react';
import {
  Pressable,
  ScrollView,
  StyleSheet,
  View,
  type DimensionValue,
  type PressableProps,
  type ScrollViewProps,
  type StyleProp,
  type ViewProps,
  type ViewStyle,
} from 'react-native';
import { GAP, RADIUS, TOUCH, usePalette, useWide, type Palette } from './theme';

/** A distance by its name, or in px where a drawing asks for one of its own. */
export type Space = keyof typeof GAP | number;
/** A side that carries a hairline. */
type Side = 'top' | 'bottom' | 'left' | 'right';

const ALIGN = {
  start: 'flex-start',
  center: 'center',
  end: 'flex-end',
  baseline: 'baseline',
  stretch: 'stretch',
} as const;
const JUSTIFY = { start: 'flex-start', center: 'center', end: 'flex-end', between: 'space-between' } as const;

/** How something is laid out. */
export interface Box {
  /** Between what it holds. */
  gap?: Space;
  pad?: Space;
  padX?: Space;
  padY?: Space;
  padTop?: Space;
  padBottom?: Space;
  padLeft?: Space;
  padRight?: Space;
  /** Across the direction in which it lays out. */
  align?: keyof typeof ALIGN;
  /** Along it. */
  justify?: keyof typeof JUSTIFY;
  /** Its share of the room there is, from nothing up. */
  grow?: boolean | number;
  /** Takes what is left over, beyond its own size. */
  fill?: boolean;
  shrink?: boolean;
  /** As wide as what it stands in. */
  full?: boolean;
  /** At least as high as a finger needs. */
  touch?: boolean;
  width?: DimensionValue;
  height?: DimensionValue;
  minWidth?: DimensionValue;
  minHeight?: DimensionValue;
  maxWidth?: DimensionValue;
  /** Reaches out to the left by so much: what is touched lines up with the text above it. */
  outdent?: keyof typeof GAP;
  /** Stands off what is above it, beyond the gap. */
  above?: Space;
  /** Leaves free what a phone keeps for its own at the foot of the screen. */
  foot?: boolean;
  /** Where it stands across the direction of what holds it. */
  self?: keyof typeof ALIGN;
  round?: boolean;
  /** The width it begins from, before it takes its share. */
  basis?: DimensionValue;
  rule?: Side | false;
  /** A bar of the accent along its left edge; 'room': the room for one. */
  mark?: boolean | 'room';
  /** A frame round it, as round what can be chosen. */
  framed?: boolean;
  ground?: keyof Palette;
}

const FOOT = 'env(safe-area-inset-bottom)';

/** So many px above what a phone keeps for its own at the foot of the screen. */
export function aboveFoot(px: number): DimensionValue {
  const length: string = `calc(${px}px + ${FOOT})`;
  return length as DimensionValue;
}

type BoxProps = Box & Omit<ViewProps, 'style'> & { children?: ReactNode };

const px = (space: Space | undefined) => (typeof space === 'string' ? GAP[space] : space);
const RULES = {
  top: ['borderTopWidth', 'borderTopColor'],
  bottom: ['borderBottomWidth', 'borderBottomColor'],
  left: ['borderLeftWidth', 'borderLeftColor'],
  right: ['borderRightWidth', 'borderRightColor'],
} as const;

const ruleOf = (side: Side, colour: string) => ({ [RULES[side][0]]: 1, [RULES[side][1]]: colour });

/** Splits layout props off from the others, and says what style they come to. */
export function useBox<R extends object>(props: Box & R): [ViewStyle, Omit<R, keyof Box>] {
  const palette = usePalette();
  const { gap, pad, padX, padY, padTop, padBottom, padLeft, padRight, align, justify, grow, fill, ...more } = props;
  const { shrink, full, touch, width, height, minWidth, minHeight, maxWidth, outdent, ...others } = more;
  const { above, foot, self, round, basis, rule, mark, framed, ground, ...rest } = others;
  const style = {
    gap: px(gap),
    padding: px(pad),
    paddingHorizontal: px(padX),
    paddingVertical: px(padY),
    paddingTop: px(padTop),
    paddingBottom: foot ? FOOT : px(padBottom),
    paddingLeft: px(padLeft),
    paddingRight: px(padRight),
    alignItems: align && ALIGN[align],
    justifyContent: justify && JUSTIFY[justify],
    flex: grow === true ? 1 : grow || undefined,
    flexGrow: fill ? 1 : undefined,
    flexShrink: shrink ? 1 : undefined,
    width: full ? '100%' : width,
    height,
    minWidth,
    minHeight: touch ? TOUCH : minHeight,
    maxWidth,
    marginLeft: outdent && -GAP[outdent],
    marginTop: px(above),
    alignSelf: self && ALIGN[self],
    flexBasis: basis,
    borderRadius: round ? RADIUS : undefined,
    backgroundColor: ground && palette[ground],
    ...(rule && ruleOf(rule, palette.line)),
    ...(mark && { borderLeftWidth: 4, borderLeftColor: mark === 'room' ? 'transparent' : palette.accent }),
    ...(framed && { borderWidth: 1, borderColor: palette.edge, borderRadius: RADIUS }),
  };
  return [madeOnce(style), rest as Omit<R, keyof Box>];
}

const made = new Map<string, ViewStyle>();
/** Layouts differ little; widths that are worked out, as under a chart, could go on without end. */
const KEPT = 1500;

/** A style whose rules the page is given once, not at each drawing. */
export function madeOnce(style: Readonly<Record<string, unknown>>): ViewStyle {
  // What is undefined is left out of it.
  const key = JSON.stringify(style);
  const known = made.get(key);
  if (known) return known;
  const fresh = JSON.parse(key) as ViewStyle;
  if (made.size >= KEPT) return fresh;
  const { box } = StyleSheet.create({ box: fresh });
  made.set(key, box);
  return box;
}

const DIRECTION = StyleSheet.create({
  row: { flexDirection: 'row' },
  column: { flexDirection: 'column' },
  grid: { flexDirection: 'row', flexWrap: 'wrap' },
});

/** One below the other. */
export function Stack(props: BoxProps) {
  const [style, rest] = useBox(props);
  return <View {...rest} style={style} />;
}

/** Side by side. */
export function Row(props: BoxProps) {
  const [style, rest] = useBox(props);
  return <View {...rest} style={[style, DIRECTION.row]} />;
}

/** Side by side, and on further lines when there is no room. */
export function Grid(props: BoxProps) {
  const [style, rest] = useBox(props);
  return <View {...rest} style={[style, DIRECTION.grid]} />;
}

/** Side by side on a wide screen, one below the other on a phone. */
export function Split(props: BoxProps) {
  const [style, rest] = useBox(props);
  return <View {...rest} style={[style, DIRECTION[useWide() ? 'row' : 'column']]} />;
}

/** Holds what it holds off its edges by the width of a screen's margin. */
export function Inset({ pad = 'more', ...rest }: BoxProps) {
  return <Stack pad={pad} {...rest} />;
}

type PressProps = Box & Omit<PressableProps, 'style' | 'children'> & { row?: boolean; children?: ReactNode };

/** Something that can be pressed, laid out like the others; `row`: side by side. */
export function Press({ row, ...props }: PressProps) {
  const [style, rest] = useBox(props);
  // A link that wraps it has a style of its own.
  const { style: outer, ...others } = rest as typeof rest & { style?: StyleProp<ViewStyle> };
  return <Pressable {...others} style={[style, row && DIRECTION.row, outer]} />;
}

type ScrollProps = Box & Omit<ScrollViewProps, 'style' | 'contentContainerStyle'> & { tall?: boolean };

/** What can be scrolled, its content laid out like the others; `tall`: it takes the height there is. */
export function Scroll({ tall, ...props }: ScrollProps) {
  const [content, rest] = useBox(props);
  return (
    <ScrollView {...rest} style={tall !== undefined && { flexGrow: tall ? 1 : 0 }} contentContainerStyle={content} />
  );
}
