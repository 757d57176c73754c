import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { Row, Stack } from './layout';
import { Text } from './Text';
import { usePalette } from './theme';

/** The way of a visit: beads on a string, those that are reached filled, one large where it stands. */
export function VisitWay({ steps, at, label }: { steps: readonly string[]; at: number; label: string }) {
  const { accent, line, text, ground } = usePalette();
  const last = steps.length - 1;
  const x = (step: number) => `${(100 / steps.length) * (step + 0.5)}%`;
  return (
    <Stack gap="hair">
      <View role="img" aria-label={label}>
        <Svg width="100%" height={30}>
          <Line x1={x(0)} x2={x(last)} y1={15} y2={15} stroke={line} strokeWidth={2} />
          <Line x1={x(0)} x2={x(Math.max(0, at))} y1={15} y2={15} stroke={accent} strokeWidth={2.5} />
          {steps.map((step, no) => (
            <Circle
              key={step}
              cx={x(no)}
              cy={15}
              r={no === at ? 10 : 6}
              fill={no <= at ? (no === at ? accent : text) : ground}
              stroke={no <= at ? 'none' : line}
              strokeWidth={2}
            />
          ))}
        </Svg>
      </View>
      <Row aria-hidden>
        {steps.map((step, no) => (
          <Text key={step} kind={no === at ? 'smallStrong' : 'tiny'} tone={no <= at ? 'text' : 'quiet'} grow middle>
            {step}
          </Text>
        ))}
      </Row>
    </Stack>
  );
}
