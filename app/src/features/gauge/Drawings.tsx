import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { FACE, usePalette } from '@/ui/theme';
import type { LengthUnit } from '@/copy/measures';
import { copy } from '@/copy/screens/bench/gauge';
import { CARD_MM, type ScreenScale } from '@tembrin/core/vision';

interface DrawnProps {
  scale: ScreenScale;
  room: { width: number; height: number };
  label: string;
}

/** How much of the card is drawn, px: it is longer than there is room for. */
const SHOWN = 250;

/** The upper end of an upright card between two scribed lines. */
export function CardOutline({ edgePx, label }: { edgePx: number; label: string }) {
  const { surface, accent, edge } = usePalette();
  const corner = (edgePx * CARD_MM.corner) / CARD_MM.short;
  const [left, right] = [2, 2 + edgePx];
  const top = 14;
  return (
    <Svg width={edgePx + 4} height={SHOWN} role="img" aria-label={label}>
      <Path
        d={`M${left} ${SHOWN}V${top + corner}a${corner} ${corner} 0 0 1 ${corner} ${-corner}H${right - corner}a${corner} ${corner} 0 0 1 ${corner} ${corner}V${SHOWN}`}
        fill={surface}
        stroke={edge}
        strokeWidth={1}
      />
      <Path d={`M${left} 0V${SHOWN}M${right} 0V${SHOWN}`} stroke={accent} strokeWidth={1.5} />
    </Svg>
  );
}

/** A bar as high as the gap, between scribed lines; thin ones mark the least and the most. */
export function GapBar({
  scale,
  room,
  label,
  mm,
  least,
  most,
}: DrawnProps & { mm: number; least: number; most: number }) {
  const { accentTint, accent, line } = usePalette();
  const px = (value: number) => value * scale.pxPerMm;
  const foot = px(most) + 24;
  return (
    <Svg width={room.width} height={foot + 24} role="img" aria-label={label}>
      <Rect x={0} y={foot - px(mm)} width={room.width} height={px(mm)} fill={accentTint} />
      {[least, most].map((each) => (
        <Line
          key={each}
          x1={0}
          x2={room.width}
          y1={foot - px(each)}
          y2={foot - px(each)}
          stroke={line}
          strokeWidth={1}
        />
      ))}
      {[0, mm].map((each) => (
        <Line
          key={each}
          x1={0}
          x2={room.width}
          y1={foot - px(each)}
          y2={foot - px(each)}
          stroke={accent}
          strokeWidth={1}
        />
      ))}
    </Svg>
  );
}

/** A ruler in millimetres down the left edge. */
export function Ruler({ scale, room, label }: DrawnProps) {
  const { text } = usePalette();
  const count = Math.floor((room.height - 16) / scale.pxPerMm);
  return (
    <Svg width={room.width} height={room.height} role="img" aria-label={label}>
      {Array.from({ length: count + 1 }, (_, mm) => {
        const y = 10 + mm * scale.pxPerMm;
        const long = mm % 10 === 0 ? 34 : mm % 5 === 0 ? 24 : 14;
        return (
          <G key={mm}>
            <Line x1={0} x2={long} y1={y} y2={y} stroke={text} strokeWidth={mm % 10 === 0 ? 1.2 : 0.8} />
            {mm % 10 === 0 && (
              <SvgText x={42} y={y + 5} fill={text} fontFamily={FACE.sans} fontSize={15}>
                {mm}
              </SvgText>
            )}
          </G>
        );
      })}
    </Svg>
  );
}

/** A right angle on the line of the top, with what is watched and what is too much. */
export function RightAngle({ room, label }: DrawnProps) {
  const { text, accent, soon, now } = usePalette();
  const [x, y] = [room.width / 2, room.height - 12];
  const tall = room.height - 24;
  const at = (degrees: number) => {
    const angle = (degrees * Math.PI) / 180;
    return `M${x} ${y}L${x + tall * Math.sin(angle)} ${y - tall * Math.cos(angle)}`;
  };
  return (
    <Svg width={room.width} height={room.height} role="img" aria-label={label}>
      {[-4, 4].map((degrees) => (
        <Path key={degrees} d={at(degrees)} stroke={now} strokeWidth={0.8} />
      ))}
      {[-1.5, 1.5].map((degrees) => (
        <Path key={degrees} d={at(degrees)} stroke={soon} strokeWidth={0.8} />
      ))}
      <Path d={at(0)} stroke={accent} strokeWidth={1.5} />
      <Path d={`M0 ${y}H${room.width}`} stroke={text} strokeWidth={1.5} />
    </Svg>
  );
}

/** Relief and action in steps, mm [handbook 9]. */
const STEPS_MM = [0.1, 0.2, 0.3, 0.4, 0.5, 1, 1.5, 1.8, 2, 2.4, 3, 4] as const;
/** A bar of fewer pixels of the screen is none to measure by. */
const LEAST_PIXELS = 2;

/** Bars of known height to hold behind a gap. */
export function Steps({ scale, room, label, lengths }: DrawnProps & { lengths: LengthUnit }) {
  const { text } = usePalette();
  const shown = STEPS_MM.filter((mm) => mm * scale.pxPerMm * scale.ratio >= LEAST_PIXELS);
  const row = 30;
  return (
    <Svg width={room.width} height={shown.length * row} role="img" aria-label={label}>
      {shown.map((mm, at) => {
        const high = mm * scale.pxPerMm;
        return (
          <G key={mm}>
            <Rect x={0} y={at * row + (row - high) / 2} width={room.width - 64} height={high} fill={text} />
            <SvgText x={room.width - 52} y={at * row + row / 2 + 5} fill={text} fontFamily={FACE.sans} fontSize={15}>
              {copy.step(mm, lengths)}
            </SvgText>
          </G>
        );
      })}
    </Svg>
  );
}
