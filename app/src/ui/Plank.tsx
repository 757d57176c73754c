import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { G, Line, Path } from 'react-native-svg';
import { usePalette, type Palette } from './theme';
import { equilibriumMoisture, type Band } from '@tembrin/core/air';

interface PlankProps {
  /** Humidity the wood stands at, fraction; null: not known. */
  restRh: number | null;
  band: Band;
  tone: keyof Palette;
  label: string;
  width?: number;
  height?: number;
}

/** Humidities the drawing reaches from and to. */
const REACH = { dry: 0.2, damp: 0.85 } as const;

/**
 * The plank: the end of a board between two knife marks, as a maker would watch it. Dry it has drawn back from the marks,
 * damp it stands past them; the marks are the edges of the band. Its movement is drawn far larger than life.
 */
export function Plank({ restRh, band, tone, label, width = 132, height = 44 }: PlankProps) {
  const palette = usePalette();
  const moisture = (rh: number) => equilibriumMoisture(rh, 20);
  const half = scaleLinear(
    [moisture(REACH.dry), moisture(0.5), moisture(REACH.damp)],
    [width * 0.24, width * 0.36, width * 0.49],
  ).clamp(true);
  const middle = width / 2;
  const reach = half(moisture(restRh ?? 0.5));
  const marks = [half(moisture(band.low)), half(moisture(band.high))];
  const top = 9;
  const foot = height - 9;
  // Dry boards hollow away from the heart, damp ones bulge.
  const bow = restRh === null ? 0 : (restRh - 0.5) * 14;
  const edge = (side: -1 | 1) => middle + side * reach;
  const outline = `M${edge(-1)} ${top} Q${middle} ${top - bow} ${edge(1)} ${top} L${edge(1)} ${foot} Q${middle} ${foot - bow} ${edge(-1)} ${foot} Z`;
  const rings = Array.from({ length: 9 }, (_, at) => (at - 4) / 4.6);
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={height} aria-hidden>
        {([-1, 1] as const).map((side) => (
          <G key={side}>
            <Path
              d={`M${middle + side * marks[0]!} ${2} H${middle + side * marks[1]!} V${height - 2} H${middle + side * marks[0]!} Z`}
              fill={palette.line}
              opacity={0.55}
            />
            {marks.map((at) => (
              <Line
                key={at}
                x1={middle + side * at}
                x2={middle + side * at}
                y1={2}
                y2={height - 2}
                stroke={palette.edge}
                strokeWidth={1}
                strokeDasharray="2 3"
              />
            ))}
          </G>
        ))}
        <Path
          d={outline}
          fill={restRh === null ? 'none' : palette.wood}
          stroke={palette[tone]}
          strokeWidth={2.4}
          strokeLinejoin="round"
          strokeDasharray={restRh === null ? '4 4' : undefined}
        />
        {restRh !== null &&
          rings.map((place) => (
            <Path
              key={place}
              d={`M${middle + place * reach * 0.94} ${top + 3} Q${middle + place * reach * 0.94 + place * 3} ${height / 2} ${middle + place * reach * 0.9} ${foot - 3}`}
              stroke={palette.woodDark}
              strokeWidth={1}
              opacity={0.5}
              fill="none"
            />
          ))}
      </Svg>
    </View>
  );
}
