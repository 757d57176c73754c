import Svg, { Line, Path } from 'react-native-svg';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { Grid, Row } from '@/ui/layout';
import { copy } from '@/copy/screens/air/chart-words';

/** What the lines of an air chart are. */
export function ChartKey({ wood, level }: { wood: string; level: boolean }) {
  const palette = usePalette();
  const item = (mark: React.ReactNode, text: string) => (
    <Row key={text} gap={6} align="center">
      <Svg width={22} height={14} aria-hidden>
        {mark}
      </Svg>
      <Text kind="tiny" tone="quiet">
        {text}
      </Text>
    </Row>
  );
  return (
    <Grid gap="half">
      {item(<Line x1={1} x2={21} y1={7} y2={7} stroke={palette.accent} strokeWidth={2.8} />, wood)}
      {item(<Path d="M1 3H21V11H1Z" fill={palette.edge} opacity={0.6} />, copy.airLowMeanHigh)}
      {level &&
        item(
          <Line x1={1} x2={21} y1={7} y2={7} stroke={palette.text} strokeWidth={1.4} strokeDasharray="2 4" />,
          copy.levelOfTheSeason,
        )}
      {item(<Path d="M1 1H21V13H1Z" fill={palette.well} opacity={0.22} />, 'band')}
    </Grid>
  );
}
