import { scaleLinear } from 'd3-scale';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Line, Rect, Text as SvgText } from 'react-native-svg';
import { monthName } from '@/copy/dates';
import { STATE_TONES } from './StateMark';
import { FACE, GAP, usePalette } from './theme';
import { Frayed } from './Thread';
import { Text } from './Text';
import { startOfLocalDay, type LocalDay } from '@tembrin/core/time';
import type { ThreadState } from '@tembrin/core/parts';
import type { Window } from '@tembrin/core/wear';
import { useWidth } from './width';

/** One thread on the calendar. */
export interface YearRow {
  key: string;
  title: string;
  detail: string;
  from: number;
  window: Window;
  /** Day it is planned for. */
  day: LocalDay;
  state: ThreadState;
  /** What a screen reader says of it. */
  label: string;
}

export interface YearMark {
  from: LocalDay;
  to: LocalDay;
  kind: 'performance' | 'rest' | 'heating';
}

const HEAD = 26;
const ROW = 30;
/** A row with its words above the thread. */
const ROW_TALL = 60;
/** A little of the past, and a year ahead. */
const BACK_DAYS = 30;
const AHEAD_DAYS = 365;

interface YearChartProps {
  rows: readonly YearRow[];
  marks: readonly YearMark[];
  nowMs: number;
  timeZone: string;
  today: LocalDay;
  chosen: string | null;
  onChoose: (key: string) => void;
}

/** The year: the threads of all parts laid on one calendar, with the days that matter across them. */
export function YearChart({ rows, marks, nowMs, timeZone, today, chosen, onChoose }: YearChartProps) {
  const palette = usePalette();
  const [width, measured] = useWidth(0, true);
  const [first, last] = [today - BACK_DAYS, today + AHEAD_DAYS];
  const at = (day: LocalDay) => startOfLocalDay(day, timeZone);
  const x = scaleLinear([at(first), at(last)], [0, Math.max(1, width)]).clamp(true);
  const months: { x: number; name: string }[] = [];
  for (let day = first; day <= last; day++) {
    const date = new Date(day * 86_400_000);
    if (date.getUTCDate() === 1) months.push({ x: x(at(day)), name: monthName(date.getUTCMonth()) });
  }
  const spaced = months.filter((_, index) => width > 620 || index % 2 === 0);
  const calendar = { x, at, nowMs, marks, months };
  return (
    <View {...measured}>
      {width > 0 && (
        <>
          <Svg width={width} height={HEAD} aria-hidden>
            <CalendarLines {...calendar} top={20} height={HEAD} />
            {spaced.map((month) => (
              <SvgText
                key={month.x}
                x={Math.min(month.x + 3, width - 24)}
                y={17}
                fontSize={12}
                fontFamily={FACE.sans}
                fill={palette.quiet}
              >
                {month.name}
              </SvgText>
            ))}
          </Svg>
          <View>
            {/* One grid behind all threads. */}
            <Svg width={width} height="100%" aria-hidden style={{ position: 'absolute', top: 0, left: 0 }}>
              <CalendarLines {...calendar} top={0} height={rows.length * ROW_TALL} />
            </Svg>
            {rows.map((row) => (
              <YearThread
                key={row.key}
                row={row}
                chosen={row.key === chosen}
                onChoose={onChoose}
                {...calendar}
                first={at(first)}
                width={width}
              />
            ))}
          </View>
        </>
      )}
    </View>
  );
}

interface CalendarScale {
  x: (atMs: number) => number;
  at: (day: LocalDay) => number;
  nowMs: number;
  marks: readonly YearMark[];
  months: readonly { x: number; name: string }[];
}

/** What crosses the calendar: months, days that matter, the heating season, and now. */
function CalendarLines({ x, at, nowMs, marks, months, top, height }: CalendarScale & { top: number; height: number }) {
  const palette = usePalette();
  return (
    <>
      {marks.map(({ from, to, kind }, index) =>
        kind === 'performance' ? (
          <Line
            key={index}
            x1={x(at(from))}
            x2={x(at(from))}
            y1={top}
            y2={height}
            stroke={palette.accent}
            strokeWidth={2}
          />
        ) : (
          <Rect
            key={index}
            x={x(at(from))}
            y={kind === 'heating' ? 0 : top}
            width={Math.max(2, x(at(to + 1)) - x(at(from)))}
            height={kind === 'heating' ? Math.min(4, height) : height - top}
            fill={kind === 'heating' ? palette.soon : palette.line}
            opacity={kind === 'heating' ? (top > 0 ? 0.7 : 0) : 0.5}
          />
        ),
      )}
      {months.map((month) => (
        <Line key={month.x} x1={month.x} x2={month.x} y1={top} y2={height} stroke={palette.line} strokeWidth={1} />
      ))}
      <Line
        x1={x(nowMs)}
        x2={x(nowMs)}
        y1={top}
        y2={height}
        stroke={palette.text}
        strokeWidth={1.5}
        strokeDasharray="2 3"
      />
    </>
  );
}

interface YearThreadProps extends CalendarScale {
  row: YearRow;
  chosen: boolean;
  onChoose: (key: string) => void;
  /** Where the calendar begins, ms. */
  first: number;
  width: number;
}

/** One thread with its words above it. */
function YearThread({ row, chosen, onChoose, x, at, nowMs, first, width }: YearThreadProps) {
  const palette = usePalette();
  const colour = palette[STATE_TONES[row.state]];
  const early = x(Math.max(first, row.window.early));
  const late = Math.max(early + 12, x(row.window.late));
  const planned = x(at(row.day));
  return (
    <Pressable
      role="button"
      aria-label={row.label}
      aria-pressed={chosen}
      onPress={() => onChoose(row.key)}
      style={{ height: ROW_TALL, backgroundColor: chosen ? palette.accentTint : 'transparent' }}
    >
      <View
        style={{
          flexDirection: 'row',
          justifyContent: 'space-between',
          gap: GAP.small,
          paddingTop: 6,
          // Words are not crossed by the grid.
          backgroundColor: chosen ? palette.accentTint : palette.ground,
        }}
      >
        <Text kind="smallStrong" numberOfLines={1} grow>
          {row.title}
        </Text>
        <Text kind="small" tone={STATE_TONES[row.state]}>
          {row.detail}
        </Text>
      </View>
      <Svg width={width} height={ROW} aria-hidden>
        <Line x1={x(row.from)} x2={early} y1={15} y2={15} stroke={palette.quiet} strokeWidth={1.4} />
        <Line x1={x(row.from)} x2={x(nowMs)} y1={15} y2={15} stroke={colour} strokeWidth={3} strokeLinecap="round" />
        <Frayed early={early} late={late} y={15} spread={11} />
        <Circle cx={planned} cy={15} r={6.5} fill={colour} stroke={palette.ground} strokeWidth={2} />
      </Svg>
    </Pressable>
  );
}
