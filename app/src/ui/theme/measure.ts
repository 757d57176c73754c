import { StyleSheet } from 'react-native';

/** Distances, in px. */
export const GAP = { hair: 4, small: 8, half: 12, one: 16, more: 24, two: 32, wide: 48 } as const;
/** The least height and width of anything that is touched. */
export const TOUCH = 48;
export const RADIUS = 6;
/** From this width on there is a rail and two panes. */
export const WIDE = 900;
export const COLUMN = 560;
/** Width of the rail at the left of a wide screen. */
export const RAIL = 104;

/** Faces as public/index.html names them; text shows at once in the next one until they are there. */
export const FACE = { serif: 'Literata', sans: 'Atkinson', strong: 'AtkinsonStrong' } as const;
const SERIF = `${FACE.serif}, Georgia, serif`;
const SANS = `${FACE.sans}, system-ui, sans-serif`;
const STRONG = `${FACE.strong}, ${FACE.sans}, system-ui, sans-serif`;

/** The few kinds of text there are. */
export const TYPE = StyleSheet.create({
  /** The one figure that matters, read from a metre away. */
  figure: { fontFamily: SERIF, fontSize: 56, lineHeight: 62, fontVariant: ['tabular-nums'] },
  clock: { fontFamily: SERIF, fontSize: 88, lineHeight: 98, fontVariant: ['tabular-nums'] },
  /** Read from the floor, hands full. */
  huge: { fontFamily: SERIF, fontSize: 44, lineHeight: 52 },
  large: { fontFamily: SANS, fontSize: 25, lineHeight: 35 },
  title: { fontFamily: SERIF, fontSize: 30, lineHeight: 37 },
  heading: { fontFamily: SERIF, fontSize: 21, lineHeight: 28 },
  body: { fontFamily: SANS, fontSize: 17, lineHeight: 25 },
  strong: { fontFamily: STRONG, fontSize: 17, lineHeight: 25 },
  small: { fontFamily: SANS, fontSize: 15, lineHeight: 21 },
  smallStrong: { fontFamily: STRONG, fontSize: 15, lineHeight: 21 },
  tiny: { fontFamily: SANS, fontSize: 13, lineHeight: 18 },
  table: { fontFamily: SANS, fontSize: 16, lineHeight: 23, fontVariant: ['tabular-nums'] },
  tableTight: { fontFamily: SANS, fontSize: 14, lineHeight: 23, fontVariant: ['tabular-nums'] },
  button: { fontFamily: STRONG, fontSize: 18, lineHeight: 24 },
});
export type TypeName = keyof typeof TYPE;
