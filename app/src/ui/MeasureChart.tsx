import type { Figure, Measure } from '@tembrin/core';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useLook } from '@/state/look';
import { dateWords } from '@/words/dates';
import { measureWords } from '@/words/measures';
import { usePalette } from './theme';
import { Words } from './Words';

const TALL = 64;
const EDGE = 8;

/** A figure over time: a line from measure to measure, the last one largest; first and last named below. */
export function MeasureChart({
  figure,
  marks,
  nowMs,
  timeZone,
}: {
  figure: Figure;
  marks: readonly Pick<Measure, 'at' | 'value'>[];
  nowMs: number;
  timeZone: string;
}) {
  const { accent, line, ground } = usePalette();
  const lengths = useLook((state) => state.lengths);
  const [width, setWidth] = useState(300);
  const values = marks.map(({ value }) => value);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const spare = Math.max((most - least) * 0.15, Math.abs(most) * 0.02, 1e-6);
  const x = scaleLinear([marks[0]!.at, marks.at(-1)!.at], [EDGE, width - EDGE]);
  const y = scaleLinear([least - spare, most + spare], [TALL - EDGE, EDGE]);
  const words = marks.map(
    ({ at, value }) => `${dateWords(at, nowMs, timeZone)} ${measureWords(figure, value, lengths)}`,
  );
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}>
      <Svg width={width} height={TALL} role="img" aria-label={words.join(', ')}>
        <Path d={`M0 ${TALL - 1}H${width}`} stroke={line} strokeWidth={1} />
        <Path
          d={marks.map(({ at, value }, index) => `${index === 0 ? 'M' : 'L'}${x(at)} ${y(value)}`).join('')}
          stroke={accent}
          strokeWidth={2}
          fill="none"
        />
        {marks.map(({ at, value }, index) => (
          <Circle
            key={at}
            cx={x(at)}
            cy={y(value)}
            r={index === marks.length - 1 ? 6 : 3.5}
            fill={index === marks.length - 1 ? accent : ground}
            stroke={accent}
            strokeWidth={2}
          />
        ))}
      </Svg>
      <View aria-hidden style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Words kind="tiny" tone="quiet">
          {words[0]}
        </Words>
        <Words kind="tiny" tone="quiet">
          {words.at(-1)}
        </Words>
      </View>
    </View>
  );
}
