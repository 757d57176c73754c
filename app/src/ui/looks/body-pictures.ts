import { ellipse, path } from '../plate/shapes';
import { box, by, line, mark, solid, sound, turned, type Draw } from './picture';

const GRAIN = [12, 24, 36, 48, 60, 72, 84, 96, 108, 120].map((x) =>
  line(`M${x} 2C${x + 2} 28 ${x - 2} 56 ${x} 82`, 0.7, 'stick'),
);
const F = 'M92 12C90 4 100 4 101 12C102 28 106 40 107 54C108 66 116 66 115 58';

/** A patch of the top with its grain. */
export const outside: Draw = (verdict) => ({
  shapes: [
    box(2, 2, 128, 80),
    ...GRAIN,
    path(F, 'none', 3.4),
    path(ellipse(95, 13, 3), 'ebony', 0),
    path(ellipse(112, 58, 3.4), 'ebony', 0),
  ],
  marks: {
    good: [],
    watch: [mark('M30 22L52 44M36 20L50 34', 1.6)],
    act: [mark('M60 82C59 66 61 52 60 40C59 30 61 24 60 16', 3)],
  }[verdict],
});

/** The edge of the body: top over rib, and a knuckle's sound. */
export const seams: Draw = (verdict) => ({
  shapes: [
    box(24, 34, 14, 48),
    solid(
      verdict === 'act'
        ? turned(
            [
              [10, 24],
              [92, 24],
              [92, 34],
              [10, 34],
            ],
            -7,
            92,
            34,
          )
        : 'M10 24H92V34H10Z',
    ),
    ...sound(102, 42, verdict),
  ],
  marks: { good: [], watch: [mark('M24 34h5m3 0h6', 2.4)], act: [mark('M22 33H40L31 30Z', 2.4)] }[verdict],
});

/** A harp's soundboard from the side, its belly under the strings. */
export const soundboard: Draw = (verdict) => {
  const belly = by(8, 20, 12)[verdict];
  return {
    shapes: [
      solid(`M8 66Q66 ${66 - belly * 2} 124 66L124 76H8Z`),
      ...[34, 50, 66, 82, 98].map((x) => line(`M${x} 4V${62 - belly * (1 - Math.abs(x - 66) / 70)}`, 1.2, 'metal')),
    ],
    marks: {
      good: [],
      watch: [mark('M66 52v-10m-5 5l5 -5l5 5', 2)],
      act: [mark('M100 70L124 66L112 74', 3)],
    }[verdict],
  };
};

/** Neck and body from the side. */
export const neck: Draw = (verdict) => ({
  shapes: [
    solid('M76 34H130V78H76Z'),
    solid(verdict === 'act' ? 'M2 26L74 24V60C58 58 54 44 40 42L2 38Z' : 'M2 30L76 30V62C60 60 56 46 42 44L2 42Z'),
    solid(verdict === 'act' ? 'M2 18L108 14V20L2 26Z' : 'M2 24L108 24V30L2 30Z', 'ebony', 0),
  ],
  marks: {
    good: [],
    watch: [mark('M14 23h6m10 0h8m12 0h7', 3)],
    act: [mark('M75 24L76 62', 4)],
  }[verdict],
});

/** A chin rest on the edge, from the side. */
export const chinRest: Draw = (verdict) => ({
  shapes: [
    solid('M4 46H104V78H4Z'),
    solid(
      verdict === 'watch' ? 'M18 20Q58 4 98 26L96 38Q60 22 20 34Z' : 'M18 26Q58 12 98 26L96 38Q60 26 20 38Z',
      'ebony',
      0,
    ),
    box(24, 33, 22, 13, 'stick', 0),
    box(70, 33, 22, verdict === 'act' ? 5 : 13, 'stick', 0),
    line('M58 32V82', 3, 'metal'),
    line('M50 82H66', 3, 'metal'),
  ],
  marks: {
    good: [],
    watch: [mark('M108 20l12 -6m-12 6l3 -7m-3 7l7 2', 2)],
    act: [mark('M58 46V78', 4)],
  }[verdict],
});

/** An endpin in its collar. */
export const endpin: Draw = (verdict) => {
  const out = by(58, 46, 18)[verdict];
  return {
    shapes: [
      solid('M2 18H44V66H2Z'),
      box(44, 32, 16, 20, 'ebony', 0),
      line(`M60 42H${60 + out}l8 0`, 6, 'metal'),
      line('M52 32V20', 4, 'metal'),
    ],
    marks: { good: [], watch: [mark('M122 30H106m6 -6l-6 6l6 6', 2)], act: [mark('M122 42H96m8 -8l-8 8l8 8', 3)] }[
      verdict
    ],
  };
};

/** A latch of the case. */
export const caseShut: Draw = (verdict) => ({
  shapes: [
    solid('M4 46H128V78H4Z', 'ebony', 0),
    solid(
      verdict === 'act'
        ? turned(
            [
              [4, 12],
              [128, 12],
              [128, 42],
              [4, 42],
            ],
            -9,
            4,
            42,
          )
        : 'M4 12H128V42H4Z',
      'ebony',
      0,
    ),
    line(verdict === 'act' ? 'M60 54V70' : verdict === 'watch' ? 'M60 34L68 60' : 'M66 32V60', 8, 'metal'),
    line('M58 62H76', 4, 'metal'),
  ],
  marks: { good: [], watch: [mark('M84 36q8 8 0 18', 2)], act: [mark('M96 44L126 36', 3)] }[verdict],
});
