import { scaleLinear } from 'd3-scale';
import Svg, { Circle, G, Line, Text } from 'react-native-svg';
import { usePreferences } from '@/state/preferences';
import { changeWords, forceWords } from '@/copy/amounts';
import { FACE, usePalette } from './theme';
import { Stack } from './layout';
import { useWidth } from './width';

/** One string of the chart; its name is short. */
export interface PullRow {
  name: string;
  newN: number | null;
  /** What pulled before; left out where nothing is compared. */
  oldN?: number | null;
  /** How thick it is drawn. */
  gaugeMm: number | null;
  strained?: boolean;
}

const LABEL = 44;
const VALUE = 76;

/** What strings pull: each stretched from the nut as far as it pulls, the thick ones thick; where it pulled before, a ring. */
export function PullChart({ rows, label }: { rows: readonly PullRow[]; label: string }) {
  const palette = usePalette();
  const forces = usePreferences((state) => state.forces);
  const [width, measured] = useWidth();
  // A harp's many strings stand closer, and only every seventh is named.
  const many = rows.length > 12;
  const high = many ? 12 : 34;
  const height = rows.length * high + 8;
  const most = Math.max(1, ...rows.flatMap(({ newN, oldN }) => [newN ?? 0, oldN ?? 0]));
  const x = scaleLinear([0, most], [LABEL, Math.max(LABEL + 10, width - VALUE)]);
  const words = rows.map(({ name, newN, oldN }) => {
    const now = newN === null ? 'not known' : forceWords(newN, forces);
    return oldN === undefined || oldN === null ? `${name} ${now}` : `${name} ${forceWords(oldN, forces)}, then ${now}`;
  });
  return (
    <Stack role="img" aria-label={`${label}: ${words.join('; ')}`} {...measured} height={height} full>
      {width > 0 && (
        <Svg width={width} height={height} aria-hidden>
          <Line x1={LABEL} x2={LABEL} y1={0} y2={height} stroke={palette.text} strokeWidth={3} />
          {rows.map((row, at) => (
            <Pull
              key={at}
              row={row}
              y={4 + high * (at + 0.5)}
              x={x}
              width={width}
              many={many}
              named={!many || at === 0 || at === rows.length - 1 || at % 7 === 0}
            />
          ))}
        </Svg>
      )}
    </Stack>
  );
}

interface PullProps {
  row: PullRow;
  y: number;
  x: (pullN: number) => number;
  width: number;
  many: boolean;
  named: boolean;
}

/** One string, its name before it and what it pulls behind. */
function Pull({ row: { name, newN, oldN, gaugeMm, strained }, y, x, width, many, named }: PullProps) {
  const palette = usePalette();
  const forces = usePreferences((state) => state.forces);
  const colour = strained ? palette.now : palette.accent;
  const thick = Math.min(many ? 3 : 6, 1.2 + 3 * (gaugeMm ?? 0.5));
  const change = oldN && newN !== null ? changeWords(newN / oldN - 1) : null;
  const word = { y: y + 5, fill: palette.text, textAnchor: 'end' } as const;
  return (
    <G>
      {named && (
        <Text x={LABEL - 8} {...word} fontSize={many ? 12 : 16} fontFamily={FACE.strong}>
          {name}
        </Text>
      )}
      {newN === null ? (
        <Line x1={LABEL} x2={width - VALUE} y1={y} y2={y} stroke={palette.edge} strokeWidth={1} strokeDasharray="3 5" />
      ) : (
        <>
          <Line x1={LABEL} x2={x(newN)} y1={y} y2={y} stroke={colour} strokeWidth={thick} />
          <Circle cx={x(newN)} cy={y} r={many ? 3 : 5.5} fill={colour} />
        </>
      )}
      {oldN != null && (
        <Circle cx={x(oldN)} cy={y} r={many ? 3.5 : 7} fill="none" stroke={palette.text} strokeWidth={1.8} />
      )}
      {named && newN !== null && (
        <Text x={width} {...word} fontSize={many ? 12 : 15} fontFamily={FACE.sans}>
          {change ?? forceWords(newN, forces)}
        </Text>
      )}
    </G>
  );
}
