import { ellipse, path, type Shape } from '../plate/shapes';
import { box, by, line, mark, solid, type Draw } from './picture';

/** The neck from the side, a straight string over it; the hollow is drawn larger than it is. */
export const relief: Draw = (verdict) => {
  const hollow = by(10, 20, 0)[verdict];
  return {
    shapes: [
      solid(`M2 40Q66 ${40 + hollow} 130 40V58Q66 ${58 + hollow} 2 58Z`),
      ...[18, 34, 50, 66, 82, 98, 114].map((x) => {
        const y = 40 + (hollow / 2) * (1 - ((x - 66) / 64) ** 2);
        return line(`M${x} ${y}v-4`, 3, 'metal');
      }),
      line('M2 34H130', 1.6),
    ],
    marks: {
      good: [mark('M66 35V41', 1.6)],
      watch: [mark('M66 35V46', 2.4)],
      act: [mark('M40 34H92', 3)],
    }[verdict],
  };
};

/** A string over the twelfth fret. */
export const action: Draw = (verdict) => {
  const y = by(34, 26, 12)[verdict];
  return {
    shapes: [
      box(2, 52, 128, 18),
      ...[28, 66, 104].map((x) => solid(`M${x - 5} 52q5 -9 10 0Z`, 'metal', 0)),
      line(`M2 ${y + 4}L130 ${y - 4}`, 2.2),
    ],
    marks: [mark(`M66 47V${y + 2}m-4 4l4 -4l4 4M62 43l4 4l4 -4`, by(1.4, 2, 2.6)[verdict])],
  };
};

/** The edge of the neck from above, with the ends of the frets. */
export const fretEnds: Draw = (verdict) => {
  const out = by(0, 5, 13)[verdict];
  return {
    shapes: [
      box(2, 2, 128, 56, 'ebony', 0),
      line('M2 58H130', 3, 'stick'),
      ...[22, 48, 74, 100].map((x) => line(`M${x} 4V${58 + out}`, 4.5, 'metal')),
    ],
    marks:
      verdict === 'good' ? [] : [22, 48, 74, 100].map((x) => mark(`M${x - 4} ${60 + out}h8`, by(1, 2, 3.4)[verdict])),
  };
};

/** A lever or a disc at its string. */
export const harpAction: Draw = (verdict) => ({
  shapes: [
    solid('M2 2H130V24H2Z'),
    ...[32, 66, 100].map((x) => path(ellipse(x, 14, 4), 'ebony', 0)),
    line('M32 18V82', 2, 'metal'),
    line(verdict === 'watch' ? 'M66 18q5 8 0 16t0 16t0 16t0 16' : 'M66 18V82', 2, 'metal'),
    line('M100 18V82', 2, 'metal'),
    line('M32 40h12', 5, 'stick'),
    line(verdict === 'act' ? 'M58 52l16 12' : 'M66 40h12', 5, 'stick'),
    line('M100 40h12', 5, 'stick'),
  ],
  marks: {
    good: [],
    watch: [mark('M54 46q-6 8 0 16M78 56q6 8 0 16', 2)],
    act: [mark('M82 34q10 8 2 22m0 0l7 -4m-7 4l-1 -8', 2.4)],
  }[verdict],
});

/** How far a string is off its semitone. */
export const harpTuning: Draw = (verdict) => {
  const degrees = by(0, 28, 58)[verdict];
  const angle = (degrees * Math.PI) / 180;
  return {
    shapes: [
      line('M16 66A52 52 0 0 1 116 66', 2, 'stick'),
      ...[-60, -30, 0, 30, 60].map((each) => {
        const a = (each * Math.PI) / 180;
        return line(
          `M${66 + 46 * Math.sin(a)} ${72 - 46 * Math.cos(a)}L${66 + 54 * Math.sin(a)} ${72 - 54 * Math.cos(a)}`,
          each === 0 ? 3 : 1.6,
          'stick',
        );
      }),
    ],
    marks: [mark(`M66 72L${66 + 42 * Math.sin(angle)} ${72 - 42 * Math.cos(angle)}`, 3)],
  };
};

/** The stick sighted along, and its tip. */
export const stick: Draw = (verdict) => ({
  shapes: [
    line(by('M8 40Q60 52 100 38', 'M8 40Q60 66 100 34', 'M8 40Q60 52 92 38')[verdict], 6, 'stick'),
    solid(
      verdict === 'act' ? 'M96 34L122 24L126 52L112 50L98 44Z' : 'M98 34L124 28L126 54L112 52L100 44Z',
      'wood',
      1.4,
    ),
    line('M124 53L8 56', 2, 'hair'),
  ],
  marks: { good: [], watch: [mark('M8 40L100 38', 1.2), mark('M54 42V52', 2.2)], act: [mark('M94 28L104 48', 3)] }[
    verdict
  ],
});

const hairs = (from: number, to: number, step = 4): Shape[] =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, at) =>
    line(`M38 ${from + at * step}H130`, 2.4, 'hair'),
  );

/** The band of hair at its ferrule. */
export const hairBand: Draw = (verdict) => ({
  shapes: [...hairs(16, by(68, 56, 40)[verdict]), box(4, 10, 34, 64, 'ebony', 0), box(26, 12, 12, 60, 'metal', 1.2)],
  marks: {
    good: [],
    watch: [mark('M40 62H130', 1.4)],
    act: [mark('M46 46V70m0 -24l-4 5m4 -5l4 5m-4 19l-4 -5m4 5l4 -5', 2)],
  }[verdict],
});

/** Hairs that hang loose. */
export const hairCount: Draw = (verdict) => {
  const loose = by(1, 5, 10)[verdict];
  return {
    shapes: [
      ...(verdict === 'act' ? [...hairs(16, 32), ...hairs(52, 68)] : hairs(16, 68)),
      box(4, 10, 34, 64, 'ebony', 0),
      box(26, 12, 12, 60, 'metal', 1.2),
    ],
    marks: Array.from({ length: loose }, (_, at) =>
      mark(`M${60 + at * 7} ${30 + ((at * 13) % 30)}q${10 + at} ${20 - at} ${20 - at} ${34 - at}`, 1.4),
    ),
  };
};

/** How far the screw stands out of the stick. */
export const hairLength: Draw = (verdict) => {
  const out = by(8, 18, 28)[verdict];
  return {
    shapes: [
      line('M2 26H92', 9, 'stick'),
      line(`M92 26H${92 + out}`, 4, 'metal'),
      solid(`M${90 + out - 2} 19h10v14h-10Z`, 'metal', 0),
      solid(`M${60 - out * 0.4} 34H${88 - out * 0.4}V66H${60 - out * 0.4}Z`, 'ebony', 0),
      line(`M2 60H${60 - out * 0.4}`, 5, 'hair'),
    ],
    marks: verdict === 'good' ? [] : [mark(`M96 44H${90 + out}m-5 -4l5 4l-5 4`, by(1, 2, 3)[verdict])],
  };
};

/** The hair before the frog: white, grey, black. */
export const hairClean: Draw = (verdict) => ({
  shapes: [
    ...hairs(16, 68),
    ...(verdict === 'watch' ? [24, 32, 44, 52, 60].map((y) => line(`M40 ${y}H70`, 2.4, 'metal')) : []),
    ...(verdict === 'act' ? [solid('M38 14H82L76 26L86 38L74 52L82 70H38Z', 'ebony', 0)] : []),
    box(4, 10, 34, 64, 'ebony', 0),
    box(26, 12, 12, 60, 'metal', 1.2),
  ],
  marks: { good: [], watch: [mark('M42 78H68', 2)], act: [mark('M42 78H80', 3)] }[verdict],
});
