import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePreferences } from '@/state/preferences';
import { dateWords } from '@/copy/dates';
import { measureWords } from '@/copy/measures';
import { usePalette } from './theme';
import { Text } from './Text';
import type { Figure } from '@tembrin/core/instruments';
import type { Measure } from '@tembrin/core/log';
import { Row } from './layout';
import { useWidth } from './width';

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
  const lengths = usePreferences((state) => state.lengths);
  const [width, measured] = useWidth(300);
  const values = marks.map(({ value }) => value);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const spare = Math.max((most - least) * 0.15, Math.abs(most) * 0.02, 1e-6);
  const x = scaleLinear([marks[0]!.at, marks.at(-1)!.at], [EDGE, width - EDGE]);
  const y = scaleLinear([least - spare, most + spare], [TALL - EDGE, EDGE]);
  const words = marks.map(
    ({ at, value }) => `${dateWords(at, nowMs, timeZone)} ${measureWords(figure, value, lengths)}`,
  );
  return (
    <View {...measured}>
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
      <Row aria-hidden justify="between">
        <Text kind="tiny" tone="quiet">
          {words[0]}
        </Text>
        <Text kind="tiny" tone="quiet">
          {words.at(-1)}
        </Text>
      </Row>
    </View>
  );
}
