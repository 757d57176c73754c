import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { usePalette } from '@/ui/theme';
import type { Measured } from '@/workers/vision-jobs';

/** How card and bow lie in the picture; or card and a length. Decoration: the words above say it. */
export function HowDrawing({ what, width }: { what: Measured; width: number }) {
  const { surface, edge, stick, line, string, text, accent, wood } = usePalette();
  return (
    <Svg width={width} height={(width * 210) / 340} viewBox="0 0 340 210" aria-hidden>
      <Rect
        x={2}
        y={2}
        width={336}
        height={206}
        rx={10}
        fill={surface}
        stroke={edge}
        strokeWidth={1.5}
        strokeDasharray="7 6"
      />
      {what === 'gap' ? (
        <>
          <Path d="M2 52Q170 74 338 52" fill="none" stroke={stick} strokeWidth={11} />
          <Path d="M2 88H338" stroke={line} strokeWidth={6} />
          <Path d="M170 71V84M165 71h10M165 84h10" stroke={accent} strokeWidth={2} />
        </>
      ) : (
        <>
          <Path d="M30 40H310V92H30Z" fill={wood} stroke={text} strokeWidth={1.6} />
          <Path d="M30 66H310M38 60l-8 6l8 6M302 60l8 6l-8 6" fill="none" stroke={accent} strokeWidth={2} />
        </>
      )}
      <Path
        d="M110 118h112a5 5 0 0 1 5 5v62a5 5 0 0 1 -5 5H110a5 5 0 0 1 -5 -5v-62a5 5 0 0 1 5 -5Z"
        fill={string}
        stroke={text}
        strokeWidth={1.6}
      />
      <Path d="M105 130H227V142H105Z" fill={text} />
      {[
        [105, 118],
        [227, 118],
        [227, 190],
        [105, 190],
      ].map(([x, y]) => (
        <Circle key={`${x} ${y}`} cx={x} cy={y} r={7} fill="none" stroke={accent} strokeWidth={2} />
      ))}
    </Svg>
  );
}
