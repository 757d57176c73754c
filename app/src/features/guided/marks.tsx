import type { ReactNode } from 'react';
import { Circle, Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import type { Palette } from '@/ui/theme';

/** What drawings of steps are made of. */

export const String = ({ d, colour, width = 3 }: { d: string; colour: string; width?: number }) => (
  <Path d={d} stroke={colour} strokeWidth={width} fill="none" strokeLinecap="round" />
);

/** An arrow along a line: which way something goes. */
export function Arrow({ d, head, colour }: { d: string; head: string; colour: string }) {
  return (
    <>
      <Path d={d} stroke={colour} strokeWidth={2.5} fill="none" />
      <Path d={head} stroke={colour} strokeWidth={2.5} fill="none" strokeLinecap="round" strokeLinejoin="round" />
    </>
  );
}

/** A hand from the side, its thumb and forefinger closed on a point at its left end. */
export function Hand({ transform, palette }: { transform: string; palette: Palette }) {
  return (
    <G transform={transform}>
      <Path
        d="M2 4Q14 -10 34 -10L66 -14Q92 -14 96 4Q96 26 70 28L40 28Q30 28 22 20Q10 18 4 12Q-2 8 2 4Z"
        fill={palette.surface}
        stroke={palette.text}
        strokeWidth={2}
        strokeLinejoin="round"
      />
      <Path d="M14 6Q26 4 34 12M40 28Q34 18 44 12" stroke={palette.text} strokeWidth={1.6} fill="none" />
    </G>
  );
}

/** A bow's head and frog end, hair below the stick. */
export function BowLine({ palette, gap = 16 }: { palette: Palette; gap?: number }): ReactNode {
  return (
    <>
      <Path
        d={`M14 60Q160 ${60 + gap} 300 56`}
        stroke={palette.stick}
        strokeWidth={6}
        fill="none"
        strokeLinecap="round"
      />
      <Path d="M300 56L308 84L296 84Z" fill={palette.stick} />
      <Rect x={22} y={62} width={34} height={22} rx={3} fill={palette.woodDark} />
      <Line x1={54} y1={83} x2={300} y2={83} stroke={palette.edge} strokeWidth={4} />
    </>
  );
}

export { Circle, Ellipse, G, Line, Path, Rect };
