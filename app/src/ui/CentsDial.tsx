import Svg, { Circle, Line, Path } from 'react-native-svg';
import { centsWords } from '@/copy/strings';
import { usePalette } from './theme';
import { Stack } from './layout';

const WIDE = 320;
const TALL = 120;
const REACH = 50;

/** How far off a string is: a peg that turns between flat and sharp, upright when it is in tune. */
export function CentsDial({ cents }: { cents: number | null }) {
  const palette = usePalette();
  const off = cents === null ? 0 : Math.max(-REACH, Math.min(REACH, cents));
  const turn = (off / REACH) * 60;
  const right = cents !== null && Math.abs(cents) < 3;
  const colour = cents === null ? palette.edge : right ? palette.well : palette.accent;
  return (
    <Stack role="img" aria-label={cents === null ? 'Nothing heard' : centsWords(cents)} align="center">
      <Svg width={WIDE} height={TALL} viewBox="0 0 320 120" aria-hidden>
        {[-50, -25, 0, 25, 50].map((at) => {
          const angle = ((at / REACH) * 60 - 90) * (Math.PI / 180);
          const [x, y] = [Math.cos(angle), Math.sin(angle)];
          return (
            <Line
              key={at}
              x1={160 + 88 * x}
              y1={110 + 88 * y}
              x2={160 + (at === 0 ? 106 : 100) * x}
              y2={110 + (at === 0 ? 106 : 100) * y}
              stroke={at === 0 ? palette.text : palette.edge}
              strokeWidth={at === 0 ? 3 : 2}
            />
          );
        })}
        {/* A peg seen from its head: the shank points to the mark. */}
        <Path d="M154 110L157 34H163L166 110Z" fill={colour} transform={`rotate(${turn} 160 110)`} />
        <Circle cx={160} cy={108} r={12} fill={colour} />
      </Svg>
    </Stack>
  );
}
