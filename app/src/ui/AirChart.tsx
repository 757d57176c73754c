import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useEffect, useRef, type RefObject } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePalette } from './theme';
import { FACE } from './theme';
import { useWidth } from './width';

/** One place on the chart's way: an instant and what was there; null where nothing was read. */
export interface AirPoint {
  at: number;
  /** Lowest, highest and mean humidity, fractions; null in a gap. */
  air: { low: number; high: number; rh: number } | null;
  /** Seasonal level, and the humidity the wood stands at. */
  level: number | null;
  wood: number | null;
}

interface AirChartProps {
  points: readonly AirPoint[];
  /** The safe band at each point: fixed, or about the level. */
  band: (point: AirPoint) => { low: number; high: number } | null;
  /** What the reader is told of a point. */
  words: (point: AirPoint) => string;
  label: string;
  /** Short names under the chart, at their instants. */
  ticks: readonly { at: number; text: string }[];
  chosen: number | null;
  onChoose: (index: number) => void;
  tall?: number;
}

const EDGE = { left: 34, right: 8, top: 10, foot: 24 } as const;
/** The chart reaches at least so far, so that a quiet place looks quiet. */
const LEAST_REACH = { low: 0.3, high: 0.65 } as const;
const SPARE = 0.03;

function reachOf(points: readonly AirPoint[], band: AirChartProps['band']): [number, number] {
  let low: number = LEAST_REACH.low;
  let high: number = LEAST_REACH.high;
  for (const point of points) {
    const safe = band(point);
    low = Math.min(low, point.air?.low ?? 1, point.wood ?? 1, safe?.low ?? 1);
    high = Math.max(high, point.air?.high ?? 0, point.wood ?? 0, safe?.high ?? 0);
  }
  return [Math.max(0, low - SPARE), Math.min(1, high + SPARE)];
}

/**
 * Air over time as a ribbon from low to high, the safe band behind it, the seasonal level dashed, and over all the line of the
 * wood. A gap is a gap. Touched, dragged over or moved through with the arrow keys, it reads out one point.
 */
export function AirChart({ points, band, words, label, ticks, chosen, onChoose, tall = 240 }: AirChartProps) {
  const palette = usePalette();
  const [width, measured] = useWidth();
  const from = points[0]?.at ?? 0;
  const to = Math.max(from + 1, points.at(-1)?.at ?? 1);
  const x = scaleLinear([from, to], [EDGE.left, Math.max(EDGE.left + 1, width - EDGE.right)]);
  const [bottom, top] = reachOf(points, band);
  const y = scaleLinear([bottom, top], [tall - EDGE.foot, EDGE.top]).clamp(true);
  const last = points.length - 1;
  const nearest = (px: number) => {
    const at = x.invert(px);
    let best = 0;
    for (let index = 1; index <= last; index++)
      if (Math.abs(points[index]!.at - at) < Math.abs(points[best]!.at - at)) best = index;
    return best;
  };
  const read = (px: number) => onChoose(nearest(px));
  const index = Math.min(last, chosen ?? last);
  const move = (by: number) => onChoose(Math.min(last, Math.max(0, index + by)));

  useSliderKeys(measured.ref, move);
  const { ribbon, safe, alone, mean, level, wood } = shapesOf(points, band, x, y);
  const point = points[index];
  return (
    <View
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={Math.max(0, last)}
      aria-valuenow={Math.max(0, index)}
      aria-valuetext={point ? words(point) : 'nothing read'}
      {...measured}
      onStartShouldSetResponder={() => true}
      onResponderGrant={({ nativeEvent }) => read(nativeEvent.locationX)}
      onResponderMove={({ nativeEvent }) => read(nativeEvent.locationX)}
      style={{ height: tall, width: '100%', cursor: 'pointer' }}
    >
      {width > 0 && points.length > 0 && (
        <Svg width={width} height={tall} aria-hidden pointerEvents="none">
          <Path d={safe} fill={palette.well} opacity={0.16} />
          <Lines width={width} y={y} bottom={bottom} top={top} />
          <Path d={ribbon} fill={palette.surface} />
          <Path d={ribbon} fill={palette.edge} opacity={0.5} stroke={palette.edge} strokeWidth={0.8} />
          <Path d={alone} stroke={palette.edge} strokeWidth={3} strokeLinecap="round" fill="none" />
          <Path d={mean} stroke={palette.quiet} strokeWidth={1} opacity={0.6} fill="none" />
          <Path d={level} stroke={palette.text} strokeWidth={1.2} strokeDasharray="2 4" fill="none" />
          <Path d={wood} stroke={palette.ground} strokeWidth={5.5} fill="none" />
          <Path d={wood} stroke={palette.accent} strokeWidth={2.8} fill="none" />
          {ticks.map(({ at, text }) => (
            <SvgText
              key={at}
              x={x(at)}
              y={tall - 6}
              fill={palette.quiet}
              fontSize={12}
              fontFamily={FACE.sans}
              textAnchor="middle"
            >
              {text}
            </SvgText>
          ))}
          {chosen !== null && point && <Chosen point={point} x={x} y={y} tall={tall} />}
        </Svg>
      )}
    </View>
  );
}

type Scale = (value: number) => number;

/** Lines of the chart as paths of SVG: the ribbon from low to high, the safe band, the mean, the level and the wood. */
function shapesOf(points: readonly AirPoint[], band: AirChartProps['band'], x: Scale, y: Scale) {
  const ribbon = area<AirPoint>()
    .defined(({ air }) => air !== null)
    .x(({ at }) => x(at))
    .y0(({ air }) => y(air!.low))
    .y1(({ air }) => y(air!.high));
  const safe = area<AirPoint>()
    .defined((point) => band(point) !== null)
    .x(({ at }) => x(at))
    .y0((point) => y(band(point)!.low))
    .y1((point) => y(band(point)!.high));
  const through = (pick: (point: AirPoint) => number | null) =>
    line<AirPoint>()
      .defined((point) => pick(point) !== null)
      .x(({ at }) => x(at))
      .y((point) => y(pick(point)!))([...points]) ?? undefined;
  // A reading with a gap to either side makes no ribbon: it stands as a stroke of its own.
  const alone = points
    .filter(({ air }, at) => air && !points[at - 1]?.air && !points[at + 1]?.air)
    .map(({ at, air }) => `M${x(at)} ${y(air!.low)}V${y(air!.high) - 0.1}`)
    .join('');
  return {
    ribbon: ribbon([...points]) ?? undefined,
    safe: safe([...points]) ?? undefined,
    alone,
    mean: through(({ air }) => air?.rh ?? null),
    level: through(({ level }) => level),
    wood: through(({ wood }) => wood),
  };
}

/** The scale of humidity, in percent. */
function Lines({ width, y, bottom, top }: { width: number; y: Scale; bottom: number; top: number }) {
  const palette = usePalette();
  // A line every twenty percent, every ten where the chart reaches less far.
  const stride = top - bottom > 0.5 ? 20 : 10;
  const shown = (percent: number) => percent % stride === 0 && percent / 100 > bottom && percent / 100 < top;
  return (
    <>
      {[10, 20, 30, 40, 50, 60, 70, 80, 90].filter(shown).map((percent) => (
        <G key={percent}>
          <Line
            x1={EDGE.left}
            x2={width - EDGE.right}
            y1={y(percent / 100)}
            y2={y(percent / 100)}
            stroke={palette.line}
            strokeWidth={1}
          />
          <SvgText
            x={EDGE.left - 6}
            y={y(percent / 100) + 4}
            fill={palette.quiet}
            fontSize={12}
            fontFamily={FACE.sans}
            textAnchor="end"
          >
            {percent}
          </SvgText>
        </G>
      ))}
    </>
  );
}

/** The point that is read out. */
function Chosen({ point, x, y, tall }: { point: AirPoint; x: Scale; y: Scale; tall: number }) {
  const palette = usePalette();
  return (
    <G>
      <Rect x={x(point.at) - 0.75} y={EDGE.top} width={1.5} height={tall - EDGE.top - EDGE.foot} fill={palette.text} />
      {point.wood !== null && (
        <Circle
          cx={x(point.at)}
          cy={y(point.wood)}
          r={5.5}
          fill={palette.accent}
          stroke={palette.ground}
          strokeWidth={2}
        />
      )}
    </G>
  );
}

/** The keys of a slider, on the chart itself. */
function useSliderKeys(frame: RefObject<View | null>, move: (by: number) => void): void {
  const keys = useRef(move);
  useEffect(() => {
    keys.current = move;
  });
  useEffect(() => {
    const element = frame.current as unknown as HTMLElement | null;
    if (!element) return;
    const onKey = (event: KeyboardEvent) => {
      const by = STEPS[event.key];
      if (by === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      keys.current(by);
    };
    element.addEventListener('keydown', onKey);
    return () => element.removeEventListener('keydown', onKey);
  }, [frame]);
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  PageUp: -30,
  PageDown: 30,
  Home: -100_000,
  End: 100_000,
};
