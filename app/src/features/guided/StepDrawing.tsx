import type { ReactNode } from 'react';
import Svg, { Circle, Ellipse, G, Line, Path, Rect } from 'react-native-svg';
import { usePalette, type Palette } from '@/ui/theme';
import type { StepPicture } from '@tembrin/core/guided';
import { Stack } from '@/ui/layout';
import { LABELS } from '@/copy/screens/guided/drawings';
import {
  arm,
  closedCase,
  dab,
  discs,
  fretEnd,
  knuckle,
  rod,
  seated,
  shears,
  tapStick,
  throughHole,
  twoHands,
} from './drawings';
import { String } from './marks';

/** What a step of a job looks like. */
export function StepDrawing({
  picture,
  height,
  small,
}: {
  picture: Exclude<StepPicture, 'none'>;
  height: number;
  /** Beside words that say it: decoration. */
  small?: boolean;
}) {
  const palette = usePalette();
  return (
    <Stack
      role={small ? undefined : 'img'}
      aria-label={small ? undefined : LABELS[picture]}
      aria-hidden={small}
      align="center"
    >
      <Svg width={small ? (height * 320) / 170 : '100%'} height={height} viewBox="0 0 320 170" aria-hidden>
        {DRAWINGS[picture](palette)}
      </Svg>
    </Stack>
  );
}

/** A bridge from the front, with a groove for each of four strings. */
function BridgeFront({ wood, woodDark }: Palette) {
  return (
    <Path
      d="M70 140L84 92Q90 66 112 58Q160 38 208 58Q230 66 236 92L250 140H216Q206 108 190 108Q160 92 130 108Q114 108 104 140Z"
      fill={wood}
      stroke={woodDark}
      strokeWidth={2}
    />
  );
}

const GROOVES = [
  [104, 62],
  [140, 50],
  [180, 50],
  [216, 62],
] as const;

const DRAWINGS: Readonly<Record<Exclude<StepPicture, 'none'>, (palette: Palette) => ReactNode>> = {
  'fine-tuner': (palette) => (
    <>
      <Path d="M30 60L210 40V130L30 110Z" fill={palette.woodDark} />
      <Rect x={150} y={70} width={70} height={16} rx={4} fill={palette.edge} />
      <Rect x={168} y={26} width={10} height={46} fill={palette.edge} />
      <Ellipse cx={173} cy={24} rx={20} ry={8} fill={palette.edge} />
      <String d="M220 78H310" colour={palette.accent} />
      <Path d="M206 22Q232 6 240 30M240 30L244 20M240 30L230 26" stroke={palette.text} strokeWidth={2.5} fill="none" />
    </>
  ),
  loosen: (palette) => (
    <>
      <Line x1={40} x2={40} y1={50} y2={120} stroke={palette.text} strokeWidth={8} />
      <Path d="M280 130V72" stroke={palette.wood} strokeWidth={14} />
      <String d="M40 66H280" colour={palette.edge} width={2} />
      <String d="M40 84Q160 150 280 84" colour={palette.accent} />
    </>
  ),
  graphite: (palette) => (
    <>
      <BridgeFront {...palette} />
      {GROOVES.map(([x, y]) => (
        <Path
          key={x}
          d={`M${x - 5} ${y - 5}L${x} ${y + 3}L${x + 5} ${y - 5}`}
          stroke={palette.text}
          strokeWidth={3}
          fill="none"
        />
      ))}
      <G transform="rotate(-50 180 50)">
        <Path d="M180 46L196 40H300V60H196L180 54Z" fill={palette.accent} />
        <Path d="M180 50L196 42V58Z" fill={palette.text} />
      </G>
    </>
  ),
  anchor: (palette) => (
    <>
      <Path d="M30 40L230 56V116L30 132Z" fill={palette.woodDark} />
      <Path d="M150 86H196" stroke={palette.ground} strokeWidth={7} strokeLinecap="round" />
      <Circle cx={152} cy={86} r={11} fill={palette.ground} />
      <Circle cx={152} cy={86} r={8} fill={palette.accent} />
      <String d="M160 86H310" colour={palette.accent} />
    </>
  ),
  peg: (palette) => (
    <>
      <Path d="M40 66L300 78V92L40 104Z" fill={palette.stick} />
      <Path d="M300 85Q304 56 316 62V108Q304 114 300 85Z" fill={palette.stick} />
      <Rect x={70} y={30} width={12} height={110} fill={palette.wood} />
      <Rect x={262} y={30} width={12} height={110} fill={palette.wood} />
      <Circle cx={120} cy={84} r={4} fill={palette.ground} />
      {/* Through the hole, over itself, then outwards to the head. */}
      <String d="M120 84Q112 110 126 106Q136 60 128 66Q106 72 118 104" colour={palette.accent} />
      {[142, 156, 170, 184, 198].map((x) => (
        <String key={x} d={`M${x - 5} 70Q${x + 4} 84 ${x + 3} 101`} colour={palette.accent} />
      ))}
      <String d="M206 72Q214 60 214 12" colour={palette.accent} />
      <Path d="M150 132H214M214 132L204 126M214 132L204 138" stroke={palette.text} strokeWidth={2.5} fill="none" />
    </>
  ),
  post: (palette) => (
    <>
      <Rect x={140} y={20} width={34} height={120} rx={6} fill={palette.edge} />
      <Rect x={110} y={140} width={94} height={14} fill={palette.woodDark} />
      <String d="M300 46H150" colour={palette.accent} />
      {[62, 76, 90].map((y) => (
        <String key={y} d={`M138 ${y - 6}Q157 ${y + 6} 176 ${y - 4}`} colour={palette.accent} width={4} />
      ))}
      <String d="M138 98Q90 108 20 118" colour={palette.accent} />
      <Path d="M206 58V100M206 100L200 90M206 100L212 90" stroke={palette.text} strokeWidth={2.5} fill="none" />
    </>
  ),
  knot: (palette) => (
    <>
      <Path d="M30 60H290V84H30Z" fill={palette.wood} />
      <String d="M160 0V96" colour={palette.accent} />
      <Path
        d="M160 96C130 96 130 128 160 124C190 120 190 150 160 148C138 146 142 120 164 112"
        stroke={palette.accent}
        strokeWidth={4}
        fill="none"
      />
      <Rect x={128} y={98} width={64} height={8} rx={4} fill={palette.text} />
    </>
  ),
  protector: (palette) => (
    <>
      <BridgeFront {...palette} />
      {GROOVES.map(([x, y], at) => (
        <Circle key={x} cx={x} cy={y - 3} r={6 - at} fill={palette.accent} />
      ))}
      <Path d="M204 60Q216 44 230 62" stroke={palette.text} strokeWidth={5} fill="none" strokeLinecap="round" />
    </>
  ),
  tune: (palette) => (
    <>
      <Line x1={30} x2={290} y1={50} y2={50} stroke={palette.well} strokeWidth={2} strokeDasharray="4 5" />
      <String d="M30 140Q120 130 160 96T290 52" colour={palette.accent} />
      <Circle cx={290} cy={52} r={7} fill={palette.well} />
      <Circle cx={160} cy={96} r={5} fill={palette.accent} />
    </>
  ),
  bridge: (palette) => (
    <>
      <Path d="M20 140Q160 124 300 140V158H20Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      <Path d="M150 132L158 36H168L184 132Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      <String d="M12 84L163 34L308 96" colour={palette.accent} />
      <Path d="M184 132V36" stroke={palette.well} strokeWidth={2} strokeDasharray="4 4" />
      <Path d="M184 114H202V132" stroke={palette.well} strokeWidth={2.5} fill="none" />
      <Path d="M150 28Q120 14 96 30M96 30L106 20M96 30L110 34" stroke={palette.now} strokeWidth={2.5} fill="none" />
    </>
  ),
  stretch: (palette) => (
    <>
      <Rect x={20} y={112} width={280} height={20} fill={palette.woodDark} />
      {[70, 120, 170, 220, 270].map((x) => (
        <Line key={x} x1={x} x2={x} y1={110} y2={118} stroke={palette.edge} strokeWidth={3} />
      ))}
      <String d="M20 104L160 58L300 104" colour={palette.accent} />
      <Path d="M160 52V22M160 22L153 32M160 22L167 32" stroke={palette.text} strokeWidth={2.5} fill="none" />
    </>
  ),
  clean: (palette) => (
    <>
      <Rect x={20} y={70} width={280} height={48} fill={palette.woodDark} />
      {[70, 120, 170, 220, 270].map((x) => (
        <Line key={x} x1={x} x2={x} y1={70} y2={118} stroke={palette.edge} strokeWidth={3} />
      ))}
      <Path
        d="M104 50Q150 34 190 52Q206 84 184 108Q140 122 104 100Q88 74 104 50Z"
        fill={palette.surface}
        stroke={palette.edge}
        strokeWidth={2}
      />
      <Path d="M206 58H262M262 58L252 51M262 58L252 65" stroke={palette.text} strokeWidth={2.5} fill="none" />
    </>
  ),
  'two-hands': twoHands,
  shears,
  'tap-stick': tapStick,
  rod,
  'fret-end': fretEnd,
  knuckle,
  'through-f-hole': throughHole,
  discs,
  arm,
  seated,
  dab,
  'closed-case': closedCase,
};
