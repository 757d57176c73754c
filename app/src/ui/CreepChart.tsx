import { scaleLinear } from 'd3-scale';
import Svg, { Circle, Line, Path, Text } from 'react-native-svg';
import { FACE, usePalette } from './theme';
import type { Creep, Tuning } from '@tembrin/core/strings';
import { creepLabel } from '@/copy/charts';
import { Stack } from './layout';
import { useWidth } from './width';

const TALL = 150;
const FOOT = 20;
const DAY_MS = 86_400_000;

/** How a new string gives way: all it has fallen since it went on, as expected and as found at each tuning. */
export function CreepChart({
  creep,
  fittedAt,
  tunings,
  settledAt,
  nowMs,
}: {
  creep: Creep;
  fittedAt: number;
  tunings: readonly Tuning[];
  settledAt: number;
  nowMs: number;
}) {
  const palette = usePalette();
  const [width, measured] = useWidth();
  const days = Math.max(2, Math.ceil(Math.max(settledAt, nowMs) - fittedAt) / DAY_MS);
  const fallen = (day: number) => creep.cents * (1 - Math.exp(-day / creep.days));
  const found = tunings.map(({ at }, index) => ({
    day: (at - fittedAt) / DAY_MS,
    cents: -tunings.slice(0, index + 1).reduce((sum, tuning) => sum + tuning.cents, 0),
  }));
  const most = Math.max(fallen(days), ...found.map(({ cents }) => cents)) * 1.08;
  const x = scaleLinear([0, days], [4, Math.max(10, width - 6)]);
  const y = scaleLinear([0, most], [8, TALL - FOOT]);
  const now = Math.min(days, (nowMs - fittedAt) / DAY_MS);
  const path = (to: number) =>
    Array.from({ length: 61 }, (_, at) => (to * at) / 60)
      .map((day, at) => `${at === 0 ? 'M' : 'L'}${x(day).toFixed(1)} ${y(fallen(day)).toFixed(1)}`)
      .join('');
  const settles = (settledAt - fittedAt) / DAY_MS;
  const step = days > 12 ? 4 : days > 6 ? 2 : 1;
  return (
    <Stack role="img" aria-label={creepLabel(fallen(now), found.length, settles)} {...measured} height={TALL}>
      {width > 0 && (
        <Svg width={width} height={TALL} aria-hidden>
          <Line x1={0} x2={width} y1={8} y2={8} stroke={palette.line} />
          <Line x1={x(settles)} x2={x(settles)} y1={8} y2={TALL - FOOT} stroke={palette.well} strokeDasharray="2 4" />
          <Path d={path(days)} stroke={palette.quiet} strokeWidth={1.5} strokeDasharray="3 4" fill="none" />
          <Path d={path(now)} stroke={palette.accent} strokeWidth={3} fill="none" />
          {found.map(({ day, cents }) => (
            <Circle
              key={day}
              cx={x(day)}
              cy={y(cents)}
              r={5}
              fill={palette.ground}
              stroke={palette.text}
              strokeWidth={2}
            />
          ))}
          {Array.from({ length: Math.floor(days / step) + 1 }, (_, at) => at * step).map((day) => (
            <Text
              key={day}
              x={x(day)}
              y={TALL - 4}
              fontSize={12}
              fontFamily={FACE.sans}
              fill={palette.quiet}
              textAnchor={day === 0 ? 'start' : day >= days - step / 2 ? 'end' : 'middle'}
            >
              {day === 0 ? 'new' : `${day} d`}
            </Text>
          ))}
        </Svg>
      )}
    </Stack>
  );
}
