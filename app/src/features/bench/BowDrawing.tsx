import { View } from 'react-native';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { usePalette } from '@/ui/theme';
import { bowGap, type BowAt } from '@tembrin/core/bow';
import type { BowedFamily } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/bench/bow-drawing';
import { useWidth } from '@/ui/width';

/** Heights are drawn so many times as large as lengths, or the gap could not be seen. */
const HEIGHTS = 5;
const TALL = 200;

/** A bow from the side at some turn of its screw: the stick with its curve, the hair, the gauge at the narrowest point. */
export function BowDrawing({ bow, family }: { bow: BowAt; family: BowedFamily }) {
  const { stick, woodDark, quiet, string: hair, accent, line, now, well } = usePalette();
  const [width, measured] = useWidth(340);
  const { gapMm, camberMm, looseMm, turns, state } = bow;
  const hairY = 150;
  const left = 20;
  const right = width - 44;
  const middle = (left + right) / 2;
  const endY = hairY - (gapMm + camberMm) * HEIGHTS;
  const middleY = hairY - gapMm * HEIGHTS;
  // A quadratic curve passes halfway between its control point and the line of its ends.
  const bend = 2 * middleY - endY;
  const sag = Math.min(26, looseMm * 7);
  const gauge = bowGap(family).usual * HEIGHTS;
  const curve = camberMm > 1 ? 'curves inwards' : camberMm > -1 ? 'is straight' : 'bends outwards';
  const words = copy.aBowTheGap(gapMm, curve, looseMm);
  const loose = state === 'leaving' ? 14 : 0;
  return (
    <View {...measured}>
      <Svg width={width} height={TALL} role="img" aria-label={words}>
        <Path d={`M0 ${TALL - 1}H${width}`} stroke={line} strokeWidth={1} />
        <Circle
          cx={middle}
          cy={hairY - gauge / 2}
          r={gauge / 2}
          fill="none"
          stroke={state === 'right' ? well : quiet}
          strokeWidth={2}
          strokeDasharray="4 4"
        />
        <Path
          d={`M${left} ${hairY}Q${middle} ${hairY + 2 * sag} ${right} ${hairY}`}
          stroke={quiet}
          strokeWidth={7}
          fill="none"
        />
        <Path
          d={`M${left} ${hairY}Q${middle} ${hairY + 2 * sag} ${right} ${hairY}`}
          stroke={hair}
          strokeWidth={4.5}
          fill="none"
        />
        <Path
          d={`M${left - 6} ${endY}Q${middle} ${bend} ${right + 12} ${endY}`}
          stroke={state === 'straight' ? now : stick}
          strokeWidth={9}
          fill="none"
          strokeLinecap="round"
        />
        <Path
          d={`M${left - 10} ${endY - 4}L${left - 4} ${hairY + 3}H${left + 10}L${left + 16} ${endY}Z`}
          fill={stick}
        />
        <Path d={`M${right - 16} ${endY + 3}H${right + 12}V${hairY + 4}H${right - 10}Z`} fill={woodDark} />
        <G transform={`translate(${right + 22 + loose} ${endY})`}>
          <Path d="M-8 -7H12V7H-8Z" fill={quiet} />
          <Path d="M2 -6V6" stroke={accent} strokeWidth={3} transform={`rotate(${(turns * 180) % 360} 2 0)`} />
        </G>
      </Svg>
    </View>
  );
}
