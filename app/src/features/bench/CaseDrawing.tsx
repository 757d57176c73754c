import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import { Drawing } from '@/ui/Plate';
import { bowedPlates } from '@/ui/plate/bowed';
import { usePalette } from '@/ui/theme';
import type { CaseFault } from '@tembrin/core/learning';
import { Stack } from '@/ui/layout';
import { copy, SEEN } from '@/copy/screens/bench/case-drawing';
import { useWidth } from '@/ui/width';

const VIOLIN = bowedPlates.violin(false);

/** Where each thing lies, for the ring round what was marked. */
const SPOTS: Readonly<Record<CaseFault, readonly [x: number, y: number, r: number]>> = {
  'rest-on': [212, 130, 36],
  'bow-loose': [60, 34, 22],
  'bow-tight': [190, 34, 22],
  pencil: [296, 118, 26],
  'strings-dusty': [150, 130, 25],
  'rosin-open': [296, 176, 24],
};

/** An open violin case from above, with whatever is wrong in it; a tap marks a thing. */
export function CaseDrawing({
  faults,
  marked,
  onFault,
}: {
  faults: readonly CaseFault[];
  marked: readonly CaseFault[];
  onFault: (fault: CaseFault) => void;
}) {
  const palette = usePalette();
  const { woodDark, quiet, string, speck, edge, lining } = palette;
  const [width, measured] = useWidth(340);
  const wrong = (fault: CaseFault) => faults.includes(fault);
  const words = (Object.keys(SEEN) as CaseFault[]).map((fault) => SEEN[fault][wrong(fault) ? 1 : 0]).join('; ');
  return (
    <Stack {...measured} align="center">
      <Svg
        width={width}
        height={(width * 216) / 348}
        viewBox="0 0 348 216"
        role="img"
        aria-label={copy.anOpenCase(words)}
      >
        <Rect x={3} y={3} width={342} height={210} rx={22} fill={lining} stroke={woodDark} strokeWidth={5} />
        <Rect x={13} y={56} width={250} height={148} rx={14} fill="none" stroke={edge} strokeWidth={1.5} />
        <Rect x={271} y={56} width={64} height={148} rx={10} fill="none" stroke={edge} strokeWidth={1.5} />

        <BowInCase loose={wrong('bow-loose')} tight={wrong('bow-tight')} />

        <G transform="translate(112 130) rotate(-90) scale(0.39)">
          <Drawing data={VIOLIN} palette={palette} />
        </G>
        {wrong('strings-dusty') && (
          <>
            <Path d="M128 122H190V138H128Z" fill={speck} fillOpacity={0.6} />
            {Array.from({ length: 16 }, (_, at) => (
              <Circle key={at} cx={129 + at * 4} cy={120 + ((at * 7) % 19)} r={1.9} fill={speck} />
            ))}
          </>
        )}
        {wrong('rest-on') && (
          <>
            <Path
              d="M214 88C205 110 205 150 214 172"
              stroke={woodDark}
              strokeWidth={11}
              fill="none"
              strokeLinecap="round"
            />
            <Path d="M214 88l9 -3M214 172l9 3" stroke={quiet} strokeWidth={5} strokeLinecap="round" />
          </>
        )}
        <BoxOfCase pencilOut={wrong('pencil')} rosinOut={wrong('rosin-open')} />

        {marked.map((fault) => {
          const [x, y, r] = SPOTS[fault];
          return (
            <Circle key={fault} cx={x} cy={y} r={r} fill="none" stroke={string} strokeWidth={3} strokeDasharray="7 5" />
          );
        })}
        {(Object.keys(SPOTS) as CaseFault[]).map((fault) => {
          const [x, y, r] = SPOTS[fault];
          return <Circle key={fault} cx={x} cy={y} r={r} fill="transparent" onPress={() => onFault(fault)} />;
        })}
      </Svg>
    </Stack>
  );
}

/** The bow in the lid: held or beside its holder, slack or pulled. */
function BowInCase({ loose, tight }: { loose: boolean; tight: boolean }) {
  const { stick, string, woodDark, quiet } = usePalette();
  const gap = tight ? 13 : 4;
  const stickCurve = tight ? 'M40 30H312' : 'M40 30Q176 40 312 30';
  return (
    <>
      <G transform={loose ? 'rotate(4 312 30) translate(0 6)' : ''}>
        <Path d={stickCurve} stroke={stick} strokeWidth={5} fill="none" strokeLinecap="round" />
        <Path d={`M46 ${33 + gap}H304`} stroke={string} strokeWidth={3} />
        <Path d={`M40 27L46 ${35 + gap}H54L56 31Z`} fill={stick} />
        <Path d={`M290 31H312V${36 + gap}H294Z`} fill={woodDark} />
      </G>
      <Path
        d="M54 12V20M54 20H66"
        stroke={quiet}
        strokeWidth={4}
        strokeLinecap="round"
        transform={loose ? '' : 'rotate(90 54 20)'}
      />
    </>
  );
}

/** The small box of the case: a pencil in its pocket, the rosin in its tin, or beside. */
function BoxOfCase({ pencilOut, rosinOut }: { pencilOut: boolean; rosinOut: boolean }) {
  const { edge, surface, woodDark, accent } = usePalette();
  return (
    <>
      <Rect x={278} y={66} width={50} height={26} rx={4} fill="none" stroke={edge} strokeWidth={1.5} />
      <G transform={pencilOut ? 'translate(-46 26) rotate(38 300 100)' : 'translate(0 -8)'}>
        <Path d="M280 84H318L326 87L318 90H280Z" fill={surface} stroke={woodDark} strokeWidth={1.2} />
      </G>
      <Rect x={280} y={158} width={46} height={36} rx={4} fill="none" stroke={edge} strokeWidth={1.5} />
      <Rect
        x={rosinOut ? 232 : 288}
        y={rosinOut ? 178 : 165}
        width={30}
        height={22}
        rx={3}
        fill={accent}
        stroke={woodDark}
        strokeWidth={1.2}
        transform={rosinOut ? 'rotate(-18 246 188)' : ''}
      />
    </>
  );
}
