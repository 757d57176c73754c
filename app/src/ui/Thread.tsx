import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { threadLabel } from '@/copy/charts';
import { STATE_TONES } from './StateMark';
import { usePalette } from './theme';
import type { ThreadState } from '@tembrin/core/parts';
import type { Window } from '@tembrin/core/wear';
import { Stack } from './layout';
import { useWidth } from './width';

interface ThreadProps {
  /** Where the taut line begins; null when nobody knows. */
  from: number | null;
  window: Window | null;
  state: ThreadState;
  nowMs: number;
  timeZone: string;
  /** What it is the thread of, for screen readers. */
  label: string;
  /** A larger drawing with room for the strands. */
  tall?: boolean;
  /** A low drawing, for a stack of threads. */
  slim?: boolean;
  /** Ages at which the trade acts, as instants: short strokes below the line. */
  marks?: readonly number[];
}

/** Strands of the frayed stretch: where each ends, along and across. */
const STRANDS = [
  [1, -1],
  [0.86, -0.55],
  [0.97, -0.12],
  [0.9, 0.3],
  [1, 0.66],
  [0.8, 1],
] as const;

/** The frayed stretch of a thread: where a forecast window is, from where it begins to where few last. */
export function Frayed({ early, late, y, spread }: { early: number; late: number; y: number; spread: number }) {
  const { quiet } = usePalette();
  return (
    <G fill="none" stroke={quiet} strokeLinecap="round">
      {STRANDS.map(([along, across]) => {
        const tipX = early + (late - early) * along;
        const tipY = y + spread * across;
        const bend = early + (tipX - early) * 0.55;
        return (
          <Path
            key={across}
            d={`M${early} ${y} C${bend} ${y} ${bend} ${tipY} ${tipX} ${tipY}`}
            strokeWidth={1.1}
            opacity={0.85}
          />
        );
      })}
    </G>
  );
}

/** Where a thread lies on its drawing, in pixels. */
function layOut({
  from,
  window,
  nowMs,
  width,
  tall,
  slim,
}: Pick<ThreadProps, 'from' | 'window' | 'nowMs' | 'tall' | 'slim'> & { width: number }) {
  const height = tall ? 64 : slim ? 18 : 32;
  const spread = height / 2 - (slim ? 2 : 4);
  const bead = tall ? 9 : slim ? 4.5 : 7;
  const start = from ?? Math.min(nowMs, window?.early ?? nowMs);
  const end = Math.max(window?.late ?? nowMs, nowMs, start + 1);
  const left = bead + 2;
  const long = Math.max(1, width - 2 * bead - 6);
  const x = (at: number) => left + ((at - start) / (end - start)) * long;
  // However near its window, the frayed end has room on the drawing.
  const early = window ? Math.min(Math.max(x(window.early), x(start)), x(end) - 14) : x(end);
  const late = window ? Math.max(x(window.late), early + 14) : x(end);
  return { height, y: height / 2, spread, bead, x, start, end, early, late };
}

/**
 * The thread: a part's life as a string stretched from fitted to spent. A taut line, a bead for now, a frayed stretch
 * for the forecast window with a knot at its middle.
 */
export function Thread({ from, window, state, nowMs, timeZone, label, tall, slim, marks = [] }: ThreadProps) {
  const palette = usePalette();
  const [width, measured] = useWidth();
  const { height, y, spread, bead, x, start, end, early, late } = layOut({ from, window, nowMs, width, tall, slim });
  const nowX = x(nowMs);
  const colour = palette[STATE_TONES[state]];

  return (
    <Stack
      role="img"
      aria-label={threadLabel({ label, state, from, window }, nowMs, timeZone)}
      {...measured}
      height={height}
      full
    >
      {width > 0 && (
        <Svg width={width} height={height} aria-hidden>
          <Line
            x1={x(start)}
            y1={y}
            x2={early}
            y2={y}
            stroke={palette.quiet}
            strokeWidth={1.6}
            strokeDasharray={from === null ? '3 4' : undefined}
          />
          {window && (
            <>
              <Frayed early={early} late={late} y={y} spread={spread} />
              <Line
                x1={x(window.middle)}
                x2={x(window.middle)}
                y1={y - spread}
                y2={y + spread}
                stroke={palette.quiet}
                strokeWidth={1}
                strokeDasharray="1 3"
              />
            </>
          )}
          {marks
            .filter((at) => at > start && at < end)
            .map((at) => (
              <Line key={at} x1={x(at)} x2={x(at)} y1={y + 8} y2={y + 17} stroke={palette.text} strokeWidth={1.6} />
            ))}
          {/* What has been lived through, up to the bead. */}
          <Line
            x1={x(start)}
            y1={y}
            x2={nowX}
            y2={y}
            stroke={colour}
            strokeWidth={tall ? 4 : slim ? 2 : 3}
            strokeLinecap="round"
          />
          {from !== null && (
            <Line
              x1={x(start)}
              x2={x(start)}
              y1={y - (slim ? 4 : 6)}
              y2={y + (slim ? 4 : 6)}
              stroke={palette.text}
              strokeWidth={slim ? 1.8 : 2.4}
              strokeLinecap="round"
            />
          )}
          <Circle cx={nowX} cy={y} r={bead} fill={colour} stroke={palette.ground} strokeWidth={slim ? 1.5 : 2.4} />
        </Svg>
      )}
    </Stack>
  );
}
