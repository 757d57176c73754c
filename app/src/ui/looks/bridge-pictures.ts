import { ellipse, path, type Shape } from '../plate/shapes';
import { box, by, line, mark, solid, turned, type Draw } from './picture';

const TOP = solid('M0 70Q66 64 132 70V84H0Z');

/** The bridge from the side: its face towards the tailpiece against a right angle. The lean is drawn larger than it is. */
export const bridgeLean: Draw = (verdict) => {
  const lean = by(0, -7, -17)[verdict];
  const top = turned(
    [
      [58, 12],
      [64, 12],
      [70, 67],
      [54, 67],
    ],
    lean,
    70,
    67,
  );
  const tip = 61 + lean * 0.95;
  return {
    shapes: [TOP, line(`M0 ${16 + Math.abs(lean) * 0.1}L${tip} 12L132 44`, 1.6), solid(top)],
    marks: [
      path('M70 67V10', 'none', verdict === 'good' ? 1.2 : 1.6),
      ...(verdict === 'act'
        ? [mark(`M70 22L${70 + lean * 0.9} 22`, 3)]
        : verdict === 'watch'
          ? [mark('M70 22L64 22', 3)]
          : []),
    ],
  };
};

const HOLE = (side: 1 | -1) => {
  const x = (value: number) => 66 + side * value;
  return path(
    `M${x(34)} 10C${x(33)} 4 ${x(42)} 4 ${x(42)} 12C${x(43)} 26 ${x(47)} 46 ${x(48)} 62C${x(49)} 72 ${x(56)} 70 ${x(55)} 64`,
    'none',
    3,
  );
};

/** The bridge from the front, between the notches. */
export const bridgePlace: Draw = (verdict) => {
  const off = by(0, 5, 14)[verdict];
  const x = 66 + off;
  return {
    shapes: [
      box(2, 2, 128, 80),
      HOLE(1),
      HOLE(-1),
      line('M20 40h6M106 40h6', 1.6, 'stick'),
      solid(
        `M${x - 22} 44Q${x - 20} 24 ${x} 22Q${x + 20} 24 ${x + 22} 44L${x + 15} 44L${x + 11} 40H${x - 11}L${x - 15} 44Z`,
      ),
    ],
    marks: [path('M66 14V70', 'none', 1.2), ...(verdict === 'good' ? [] : [mark(`M66 56H${x}m-4 -4l4 4l-4 4`, 2.4)])],
  };
};

/** A glued bridge, and a sheet of paper at its back edge. */
export const bridgeGlued: Draw = (verdict) => ({
  shapes: [
    solid(`M0 60Q66 ${by(58, 40, 48)[verdict]} 132 60V84H0Z`),
    solid(
      verdict === 'act'
        ? turned(
            [
              [34, 42],
              [86, 42],
              [90, 54],
              [30, 54],
            ],
            8,
            30,
            54,
          )
        : `M34 ${by(46, 38, 40)[verdict]}h52l4 12H30Z`,
      'ebony',
      0,
    ),
    line(`M0 30L50 ${by(44, 36, 40)[verdict]}`, 1.6),
  ],
  marks: {
    good: [mark('M92 60H130', 1.4)],
    watch: [mark('M112 44v-12m-5 5l5 -5l5 5', 2)],
    act: [mark('M66 57H130', 2.4)],
  }[verdict],
});

/** A string over the end of the fingerboard; dotted, where it was last time. */
export const stringHeight: Draw = (verdict) => {
  const y = by(30, 22, 8)[verdict];
  return {
    shapes: [
      solid('M2 52H96V66H2Z', 'ebony', 0),
      line(`M2 ${y + 12}L130 ${y - 2}`, 2.2),
      line('M96 52V28', 1, 'stick'),
    ],
    marks: [
      path('M2 42h8m6 -1h8m6 -1h8m6 -1h8m6 -1h8m6 -1h8m6 -1h8m6 -1h8', 'none', 1.2),
      ...(verdict === 'good' ? [] : [mark(`M108 31V${y + 2}m-4 5l4 -5l4 5`, 2)]),
    ],
  };
};

const WINDINGS = Array.from({ length: 20 }, (_, at) => 8 + at * 6);

/** A wound string, large. */
export const stringWound: Draw = (verdict) => {
  const broken = (x: number) => verdict === 'act' && x > 60 && x < 84;
  return {
    shapes: [
      line('M0 42H132', 5, 'ebony'),
      ...WINDINGS.flatMap((x): Shape[] =>
        broken(x) ? [] : [line(`M${x} ${verdict === 'watch' && x > 56 && x < 92 ? 36 : 30}q4 12 0 24`, 3.4, 'metal')],
      ),
    ],
    marks: {
      good: [],
      watch: [mark('M58 28H90', 2)],
      act: [mark('M62 44q4 -24 18 -28M66 40q12 12 10 30', 2.4)],
    }[verdict],
  };
};

/** Strings in the grooves of the nut, cut across. */
export const grooves: Draw = (verdict) => {
  const deep = by(4, 4, 16)[verdict];
  const groove = `v${deep}a7 7 0 0 0 14 0v${-deep}`;
  return {
    shapes: [
      solid(`M4 34H28${groove}H59${groove}H97${groove}H128V74H4Z`, 'ebony', 0),
      ...[35, 66, 104].map((x) => path(ellipse(x, 34 + deep, 7), 'metal', 1.6)),
    ],
    marks: {
      good: [],
      watch: [mark('M48 20l4 -6l4 6l4 -6l4 6l4 -6l4 6', 2)],
      act: [mark('M56 34H76', 2.4)],
    }[verdict],
  };
};

/** A peg with its string, and what it does when it is let go. */
export const pegs: Draw = (verdict) => ({
  shapes: [
    solid('M40 14H70V74H40Z'),
    solid('M84 30Q112 22 122 44Q112 66 84 58Z', 'ebony', 0),
    line('M20 44H86', 9, 'ebony'),
    line(verdict === 'act' ? 'M50 40Q24 26 6 40' : 'M50 40L6 12', 1.8),
  ],
  marks: {
    good: [],
    watch: [mark('M96 18q-10 -8 -16 4m0 0l0 -7m0 7l7 -1', 2)],
    act: [mark('M112 16q-22 -18 -34 6m0 0l0 -10m0 10l10 -2', 3)],
  }[verdict],
});

/** A geared tuner. */
export const tuners: Draw = (verdict) => ({
  shapes: [
    path(ellipse(48, 42, 22), 'metal', 1.6),
    ...Array.from({ length: 10 }, (_, at) => {
      const angle = (at * Math.PI) / 5;
      if (verdict === 'act' && (at === 0 || at === 1)) return line('M0 0', 0);
      return line(
        `M${48 + 22 * Math.cos(angle)} ${42 + 22 * Math.sin(angle)}L${48 + 29 * Math.cos(angle)} ${42 + 29 * Math.sin(angle)}`,
        5,
        'stick',
      );
    }),
    line('M82 12V72', 8, 'stick'),
    solid('M78 2H92V14H78Z', 'ebony', 0),
    path(ellipse(48, 42, 7), 'ebony', 0),
  ],
  marks: { good: [], watch: [mark('M100 30q8 12 0 24', 2)], act: [mark('M70 34l10 8l-10 8', 3)] }[verdict],
});

/** The screw of a fine tuner, and how much of its travel is left. */
export const fineTuners: Draw = (verdict) => {
  const down = by(0, 12, 22)[verdict];
  return {
    shapes: [
      TOP,
      solid('M20 30H112V40H20Z', 'ebony', 0),
      line(`M66 ${6 + down}V${52 + down * 0.6}`, 5, 'metal'),
      solid(`M54 ${4 + down}H78V${12 + down}H54Z`, 'metal', 0),
      line(`M66 ${46 + down * 0.6}L40 ${48 + down * 0.9}`, 3, 'metal'),
    ],
    marks: {
      good: [],
      watch: [mark('M84 14V26m-4 -5l4 5l4 -5', 2)],
      act: [mark('M56 67H80', 3)],
    }[verdict],
  };
};

/** The cord of the tailpiece round its button. */
export const tailpiece: Draw = (verdict) => ({
  shapes: [
    solid('M30 4H102L94 34H38Z', 'ebony', 0),
    line('M50 34V58Q50 72 66 72Q82 72 82 58V34', verdict === 'watch' ? 5.5 : 4, 'metal'),
    path(ellipse(66, 66, 9), 'ebony', 0),
    line('M40 50H92', 4, 'stick'),
  ],
  marks: {
    good: [],
    watch: [mark('M44 46l-6 -2m6 8l-6 2M88 46l6 -2m-6 8l6 2', 1.6)],
    act: [mark('M82 46l8 -6m-8 10l10 2m-10 4l7 6', 2.4)],
  }[verdict],
});

/** Through the body: top, back, and the post between them. */
export const post: Draw = (verdict) => ({
  shapes: [
    solid('M4 26Q66 8 128 26V32Q66 14 4 32Z'),
    solid('M4 74Q66 84 128 74V68Q66 78 4 68Z'),
    solid('M58 4H74L78 18H54Z'),
    ...(verdict === 'act'
      ? [line('M34 70L92 74', 7, 'stick')]
      : [line(verdict === 'watch' ? 'M74 20L90 76' : 'M78 20V76', 7, 'stick')]),
  ],
  marks: {
    good: [],
    watch: [mark('M78 24V70', 1.4)],
    act: [mark('M78 24V66', 1.4), mark('M70 40l16 16m0 -16l-16 16', 2.4)],
  }[verdict],
});
