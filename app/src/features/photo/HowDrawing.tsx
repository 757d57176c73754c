import type { ReactNode } from 'react';
import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import { usePalette } from '@/ui/theme';
import type { Measured } from '@/workers/vision-jobs';

/** Where the card lies, and how it is turned. */
const CARDS: Readonly<Record<Measured, string>> = {
  gap: 'translate(105 118)',
  length: 'translate(105 118)',
  lean: 'translate(236 158) rotate(-90)',
  band: 'translate(180 124)',
  camber: 'translate(128 128) scale(0.7)',
};

/** What lies in the picture besides the card, and what is read of it. */
function Thing({ what }: { what: Measured }) {
  const { stick, line, text, accent, wood, woodDark, quiet } = usePalette();
  const things: Readonly<Record<Measured, ReactNode>> = {
    gap: (
      <>
        <Path d="M2 52Q170 74 338 52" fill="none" stroke={stick} strokeWidth={11} />
        <Path d="M2 88H338" stroke={line} strokeWidth={6} />
        <Path d="M170 71V84M165 71h10M165 84h10" stroke={accent} strokeWidth={2} />
      </>
    ),
    length: (
      <>
        <Path d="M30 40H310V92H30Z" fill={wood} stroke={text} strokeWidth={1.6} />
        <Path d="M30 66H310M38 60l-8 6l8 6M302 60l8 6l-8 6" fill="none" stroke={accent} strokeWidth={2} />
      </>
    ),
    lean: (
      <>
        <Path d="M2 162C90 152 250 152 338 162V184H2Z" fill={wood} stroke={woodDark} strokeWidth={1.6} />
        <Path d="M112 157L124 66H132L136 157Z" fill={wood} stroke={woodDark} strokeWidth={1.8} />
        <Path d="M2 92L128 65L338 104" fill="none" stroke={quiet} strokeWidth={2} />
        <Path d="M136 157V120A37 37 0 0 1 173 157Z" fill="none" stroke={accent} strokeWidth={2} />
      </>
    ),
    band: (
      <>
        <Path d="M60 4L66 136H114L120 4Z" fill={line} stroke={text} strokeWidth={1.4} />
        <Path d="M56 132H124V172H56Z" fill={quiet} stroke={text} strokeWidth={1.6} />
        <Path d="M40 172H140V206H40Z" fill={woodDark} />
        <Path d="M62 50H118M62 44v12M118 44v12M56 152H124M56 146v12M124 146v12" stroke={accent} strokeWidth={2} />
      </>
    ),
    camber: (
      <>
        <Path d="M12 60C90 96 250 96 328 56" fill="none" stroke={stick} strokeWidth={7} />
        <Path d="M328 50V82M12 56V88H46" fill="none" stroke={stick} strokeWidth={6} />
        <Path d="M14 62H328" stroke={accent} strokeWidth={1.6} strokeDasharray="6 5" />
        <Path d="M170 62V84" stroke={accent} strokeWidth={2.4} />
      </>
    ),
  };
  return things[what];
}

/** How card and instrument stand in the picture. Decoration: the words above say it. */
export function HowDrawing({ what, width }: { what: Measured; width: number }) {
  const { surface, edge, string, text, accent } = usePalette();
  const corners = [
    [0, 0],
    [122, 0],
    [122, 72],
    [0, 72],
  ] as const;
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
      <Thing what={what} />
      <G transform={CARDS[what]}>
        <Rect width={122} height={72} rx={5} fill={string} stroke={text} strokeWidth={1.6} />
        <Path d="M0 12H122V24H0Z" fill={text} />
        {corners.map(([x, y]) => (
          <Circle key={`${x} ${y}`} cx={x} cy={y} r={7} fill="none" stroke={accent} strokeWidth={2} />
        ))}
      </G>
    </Svg>
  );
}
