import type { CaseFault } from '@tembrin/core';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path, Rect } from 'react-native-svg';
import { usePalette } from '@/ui/theme';

const BODY =
  'M96 84C100 62 128 60 142 76C152 87 164 87 174 80C196 66 232 82 232 120C232 158 196 174 174 160C164 153 152 153 142 164C128 180 100 178 96 156C94 146 102 138 102 120C102 102 94 94 96 84Z';

/** Where each thing lies, for the ring round what was marked. */
const SPOTS: Readonly<Record<CaseFault, readonly [x: number, y: number, r: number]>> = {
  'rest-on': [196, 120, 38],
  'bow-loose': [60, 34, 22],
  'bow-tight': [190, 34, 22],
  pencil: [296, 118, 26],
  'strings-dusty': [132, 120, 24],
  'rosin-open': [296, 176, 24],
};

/** What an eye sees in the case, for those who cannot look: as it is, not as it should be. */
const SEEN: Readonly<Record<CaseFault, readonly [fine: string, wrong: string]>> = {
  'rest-on': ['the back of the violin is bare', 'the shoulder rest sits on the violin'],
  'bow-loose': ['the bow is held at the tip', 'the bow lies beside its holder'],
  'bow-tight': ['its hair lies at the stick', 'its hair is pulled away from the stick'],
  pencil: ['the pencil is in its pocket', 'a pencil lies beside the scroll'],
  'strings-dusty': ['the strings shine', 'the strings are white'],
  'rosin-open': ['the rosin is in its box', 'the rosin lies beside its box'],
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
  const { wood, woodDark, stick, quiet, string, speck, accent, well, edge, surface } = usePalette();
  const [width, setWidth] = useState(340);
  const wrong = (fault: CaseFault) => faults.includes(fault);
  const words = (Object.keys(SEEN) as CaseFault[]).map((fault) => SEEN[fault][wrong(fault) ? 1 : 0]).join('; ');
  const gap = wrong('bow-tight') ? 13 : 4;
  const stickCurve = wrong('bow-tight') ? 'M40 30H312' : 'M40 30Q176 40 312 30';
  return (
    <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} style={{ alignItems: 'center' }}>
      <Svg
        width={width}
        height={(width * 216) / 348}
        viewBox="0 0 348 216"
        role="img"
        aria-label={`An open case: ${words}.`}
      >
        <Rect x={3} y={3} width={342} height={210} rx={22} fill={well} stroke={woodDark} strokeWidth={5} />
        <Rect x={13} y={56} width={250} height={148} rx={14} fill="none" stroke={edge} strokeWidth={1.5} />
        <Rect x={271} y={56} width={64} height={148} rx={10} fill="none" stroke={edge} strokeWidth={1.5} />

        <G transform={wrong('bow-loose') ? 'rotate(4 312 30) translate(0 6)' : ''}>
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
          transform={wrong('bow-loose') ? '' : 'rotate(90 54 20)'}
        />

        <Path d={BODY} fill={wood} stroke={woodDark} strokeWidth={1.6} />
        <Path d="M20 116H104V124H20Z" fill={woodDark} />
        <Path d="M20 112a8 8 0 1 0 0 16Z" fill={wood} stroke={woodDark} strokeWidth={1.4} />
        <Path d="M188 110V130" stroke={woodDark} strokeWidth={3} />
        <Path d="M196 114L226 112V128L196 126Z" fill={woodDark} />
        {[-4.5, -1.5, 1.5, 4.5].map((y) => (
          <Path key={y} d={`M24 ${120 + y * 0.7}L198 ${120 + y}`} stroke={string} strokeWidth={1} />
        ))}
        {wrong('strings-dusty') && (
          <>
            <Path d="M112 110H188V130H112Z" fill={speck} fillOpacity={0.55} />
            {Array.from({ length: 16 }, (_, at) => (
              <Circle key={at} cx={114 + at * 4.8} cy={112 + ((at * 7) % 17)} r={1.9} fill={speck} />
            ))}
          </>
        )}
        {wrong('rest-on') && (
          <>
            <Path
              d="M206 74C222 96 222 146 206 168"
              stroke={woodDark}
              strokeWidth={11}
              fill="none"
              strokeLinecap="round"
            />
            <Path d="M206 74l-8 6M206 168l-8 -6" stroke={quiet} strokeWidth={5} strokeLinecap="round" />
          </>
        )}
        <Rect x={278} y={66} width={50} height={26} rx={4} fill="none" stroke={edge} strokeWidth={1.5} />
        <G transform={wrong('pencil') ? 'translate(-46 26) rotate(38 300 100)' : 'translate(0 -8)'}>
          <Path d="M280 84H318L326 87L318 90H280Z" fill={surface} stroke={woodDark} strokeWidth={1.2} />
        </G>
        <Rect x={280} y={158} width={46} height={36} rx={4} fill="none" stroke={edge} strokeWidth={1.5} />
        <Rect
          x={wrong('rosin-open') ? 232 : 288}
          y={wrong('rosin-open') ? 178 : 165}
          width={30}
          height={22}
          rx={3}
          fill={accent}
          stroke={woodDark}
          strokeWidth={1.2}
          transform={wrong('rosin-open') ? 'rotate(-18 246 188)' : ''}
        />

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
    </View>
  );
}
