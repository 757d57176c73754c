import type { ReactNode } from 'react';
import type { Palette } from '@/ui/theme';
import { Arrow, BowLine, Circle, Ellipse, G, Hand, Line, Path, Rect, String } from './marks';

/** A bridge from the side between two hands: its top drawn back, its feet still. */
export function twoHands(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M16 146Q160 130 304 146V162H16Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      <Path d="M146 140L172 50L180 52L176 138Z" fill={palette.wood} opacity={0.45} />
      <Path d="M146 138L154 44H164L178 138Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      <String d="M8 92L159 42L312 104" colour={palette.accent} />
      <Hand transform="translate(166 48) scale(1 1)" palette={palette} />
      <Hand transform="translate(152 48) scale(-1 1)" palette={palette} />
      <Arrow d="M196 26Q178 16 158 24" head="M158 24L166 15M158 24L168 28" colour={palette.well} />
    </>
  );
}

/** Scissors at the ferrule, a single hair hanging. */
export function shears(palette: Palette): ReactNode {
  return (
    <>
      <BowLine palette={palette} />
      <String d="M296 84Q250 120 236 150" colour={palette.now} width={2} />
      <G transform="translate(292 92) rotate(24)">
        <Path d="M0 0L-44 30M4 -2L-36 40" stroke={palette.text} strokeWidth={4} strokeLinecap="round" />
        <Circle cx={-50} cy={34} r={9} fill="none" stroke={palette.text} strokeWidth={3.5} />
        <Circle cx={-40} cy={47} r={9} fill="none" stroke={palette.text} strokeWidth={3.5} />
      </G>
      <String d="M100 84Q104 128 84 158" colour={palette.edge} width={2} />
      <Path d="M72 118L112 138M112 118L72 138" stroke={palette.now} strokeWidth={2.5} />
    </>
  );
}

/** A stick tapped on a hand, dust falling. */
export function tapStick(palette: Palette): ReactNode {
  return (
    <>
      <G transform="rotate(-7 160 70)">
        <BowLine palette={palette} gap={6} />
      </G>
      <Hand transform="translate(116 64) rotate(8)" palette={palette} />
      {[86, 104, 196, 214, 232, 250, 268].map((x, at) => (
        <G key={x}>
          <Circle cx={x} cy={104 + (at % 3) * 12} r={2.4} fill={palette.edge} />
          <Circle cx={x + 6} cy={128 + (at % 2) * 14} r={1.8} fill={palette.edge} />
        </G>
      ))}
      <Arrow d="M62 22V42M82 18V38" head="M62 42L57 34M62 42L67 34M82 38L77 30M82 38L87 30" colour={palette.text} />
    </>
  );
}

/** A neck from the side, a string held at both ends, the gap halfway; a key in its rod. */
export function rod(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M24 86Q160 104 300 84V112Q160 130 24 112Z" fill={palette.woodDark} />
      <Path d="M28 100Q160 117 292 99" stroke={palette.edge} strokeWidth={4} fill="none" />
      {[50, 96, 142, 188, 234, 276].map((x) => (
        <Line
          key={x}
          x1={x}
          x2={x}
          y1={84 + Math.sin((x / 320) * Math.PI) * 8}
          y2={92 + Math.sin((x / 320) * Math.PI) * 8}
          stroke={palette.edge}
          strokeWidth={4}
        />
      ))}
      <String d="M24 80L50 82L276 82L300 78" colour={palette.accent} />
      <Path d="M164 84V92" stroke={palette.now} strokeWidth={3} />
      <Path
        d="M164 60V78M164 78L158 69M164 78L170 69M164 132V112"
        stroke={palette.text}
        strokeWidth={2.2}
        fill="none"
      />
      <Path d="M26 100H14V136" stroke={palette.quiet} strokeWidth={6} fill="none" strokeLinejoin="round" />
      <Arrow d="M6 148Q26 164 46 146" head="M46 146L35 148M46 146L46 157" colour={palette.text} />
    </>
  );
}

/** The edge of a fretboard, one fret standing out of it. */
export function fretEnd(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M30 30H214V150H30Z" fill={palette.woodDark} />
      {[58, 94, 130].map((y, at) => (
        <Rect key={y} x={30} y={y} width={at === 1 ? 196 : 184} height={8} rx={3} fill={palette.edge} />
      ))}
      <Path d="M214 88H228V106H214" stroke={palette.now} strokeWidth={2.5} fill="none" />
      <Hand transform="translate(224 120) rotate(-62) scale(0.9)" palette={palette} />
      <Arrow d="M296 140V40" head="M296 40L290 50M296 40L302 50" colour={palette.text} />
    </>
  );
}

/** The outline of a body, a knuckle at its edge, places marked on the way round. */
export function knuckle(palette: Palette): ReactNode {
  const outline =
    'M116 20Q150 6 164 26Q176 52 160 74Q156 84 168 98Q190 138 150 158Q116 168 82 158Q42 138 64 98Q76 84 72 74Q56 52 68 26Q82 6 116 20Z';
  const places = [
    [166, 34],
    [164, 66],
    [160, 86],
    [176, 112],
    [172, 142],
    [144, 158],
    [116, 162],
    [88, 158],
    [60, 142],
    [56, 112],
  ] as const;
  return (
    <>
      <Path d={outline} fill={palette.wood} stroke={palette.woodDark} strokeWidth={2.5} />
      {places.map(([x, y], at) => (
        <Circle key={`${x} ${y}`} cx={x} cy={y} r={at === 4 ? 8 : 4} fill={at === 4 ? palette.now : palette.well} />
      ))}
      <Hand transform="translate(186 142) rotate(-8)" palette={palette} />
      {[0, 1, 2].map((each) => (
        <Path
          key={each}
          d={`M${182 + each * 9} ${116 - each * 5}Q${194 + each * 10} ${124 - each * 4} ${192 + each * 10} ${136}`}
          stroke={palette.edge}
          strokeWidth={2}
          fill="none"
        />
      ))}
    </>
  );
}

/** A body cut open across: light in at one f-hole, an eye at the other, the post between. */
export function throughHole(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M24 66Q160 26 296 66V76Q160 38 24 76Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={1.5} />
      <Path
        d="M24 140Q160 168 296 140V130Q160 156 24 130Z"
        fill={palette.wood}
        stroke={palette.woodDark}
        strokeWidth={1.5}
      />
      <Path d="M24 66V140M296 66V140" stroke={palette.woodDark} strokeWidth={6} />
      <Path d="M84 52L72 58M226 52L240 58" stroke={palette.ground} strokeWidth={10} />
      <Path d="M66 34L84 54L196 120L176 136Z" fill={palette.lit} opacity={0.55} />
      <Rect x={188} y={50} width={13} height={100} fill={palette.lit} stroke={palette.woodDark} strokeWidth={1.5} />
      <Path
        d="M124 44L132 10H188L196 44Q180 30 160 30Q140 30 124 44Z"
        fill={palette.wood}
        stroke={palette.woodDark}
        strokeWidth={1.5}
      />
      <G transform="rotate(48 56 26)">
        <Rect x={26} y={18} width={34} height={14} rx={3} fill={palette.text} />
        <Path d="M60 14L72 12V38L60 36Z" fill={palette.text} />
      </G>
      <Path d="M244 34Q258 18 278 26Q266 42 244 34Z" fill={palette.surface} stroke={palette.text} strokeWidth={2} />
      <Circle cx={260} cy={30} r={5} fill={palette.text} />
      <Path d="M250 38L206 90" stroke={palette.text} strokeWidth={1.5} strokeDasharray="4 4" />
    </>
  );
}

/** Two discs gripping a string, a brush across them. */
export function discs(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M20 10H300V64H20Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      {[70, 130, 190, 250].map((x, at) => (
        <G key={x}>
          <String d={`M${x} 18V164`} colour={at === 1 ? palette.now : palette.edge} width={at === 1 ? 3.5 : 2.5} />
          <Circle cx={x} cy={22} r={5} fill={palette.edge} />
          <G transform={`rotate(${at === 1 ? 52 : 0} ${x} 100)`}>
            <Ellipse cx={x} cy={100} rx={17} ry={13} fill={palette.quiet} />
            <Circle cx={x - 10} cy={92} r={4.5} fill={palette.lit} />
            <Circle cx={x + 10} cy={108} r={4.5} fill={palette.lit} />
          </G>
        </G>
      ))}
      <G transform="translate(206 122) rotate(-24)">
        <Rect x={34} y={6} width={92} height={12} rx={6} fill={palette.stick} />
        <Rect x={22} y={4} width={14} height={16} fill={palette.edge} />
        <Path d="M22 4Q2 2 -8 12Q2 22 22 20Z" fill={palette.text} />
      </G>
    </>
  );
}

/** An arm held out, a tape from the neck to the middle of the palm. */
export function arm(palette: Palette): ReactNode {
  return (
    <>
      <Circle cx={62} cy={42} r={24} fill={palette.surface} stroke={palette.text} strokeWidth={2} />
      <Path
        d="M22 168V108Q24 82 54 78V66H72V78L200 84Q220 84 232 78L262 66Q270 66 268 74L250 84L290 84Q298 92 288 98Q262 112 236 108Q220 108 204 108L106 116V168Z"
        fill={palette.surface}
        stroke={palette.text}
        strokeWidth={2}
        strokeLinejoin="round"
      />
      <Path d="M76 132H254" stroke={palette.accent} strokeWidth={3} />
      <Path d="M76 78V142M254 92V142" stroke={palette.accent} strokeWidth={1.5} strokeDasharray="4 4" />
      {Array.from({ length: 10 }, (_, at) => (
        <Line
          key={at}
          x1={76 + at * 19.8}
          x2={76 + at * 19.8}
          y1={132}
          y2={at % 5 === 0 ? 142 : 138}
          stroke={palette.accent}
          strokeWidth={2}
        />
      ))}
    </>
  );
}

/** A player seated with a cello: ear, breastbone and knee marked. */
export function seated(palette: Palette): ReactNode {
  return (
    <>
      <Path d="M84 168V112H156M156 112V168" stroke={palette.woodDark} strokeWidth={5} fill="none" />
      <Circle cx={112} cy={26} r={17} fill={palette.surface} stroke={palette.text} strokeWidth={2} />
      <Path
        d="M98 46Q88 76 92 110H176Q188 112 188 124V166"
        stroke={palette.text}
        strokeWidth={15}
        fill="none"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      <Path
        d="M98 46Q88 76 92 110H176Q188 112 188 124V166"
        stroke={palette.surface}
        strokeWidth={11}
        fill="none"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
      <G transform="rotate(24 150 100)">
        <Rect x={146} y={12} width={9} height={52} fill={palette.woodDark} />
        <Path
          d="M150 60Q170 62 168 80Q162 92 172 104Q180 136 150 140Q120 136 128 104Q138 92 132 80Q130 62 150 60Z"
          fill={palette.wood}
          stroke={palette.woodDark}
          strokeWidth={2}
        />
        <Circle cx={150} cy={10} r={7} fill={palette.woodDark} />
        <Line x1={150} y1={140} x2={150} y2={182} stroke={palette.quiet} strokeWidth={4} />
      </G>
      {(
        [
          [128, 26],
          [122, 68],
          [176, 108],
        ] as const
      ).map(([x, y]) => (
        <Circle key={y} cx={x} cy={y} r={9} fill="none" stroke={palette.accent} strokeWidth={3} />
      ))}
      {([26, 68, 108] as const).map((y, at) => (
        <Path
          key={y}
          d={`M${[138, 132, 186][at]} ${y}H250`}
          stroke={palette.accent}
          strokeWidth={1.5}
          strokeDasharray="4 4"
        />
      ))}
    </>
  );
}

/** A cloth laid on wet wood and lifted; a warm thing crossed out. */
export function dab(palette: Palette): ReactNode {
  const drop = (x: number, y: number) => `M${x} ${y}Q${x + 9} ${y + 14} ${x} ${y + 20}Q${x - 9} ${y + 14} ${x} ${y}Z`;
  return (
    <>
      <Path d="M14 128Q120 112 226 128V150H14Z" fill={palette.wood} stroke={palette.woodDark} strokeWidth={2} />
      {[34, 58, 190, 208].map((x, at) => (
        <Path key={x} d={drop(x, 92 + (at % 2) * 8)} fill={palette.well} />
      ))}
      <Path
        d="M80 114Q88 92 122 96Q160 90 168 114Q150 124 122 120Q98 124 80 114Z"
        fill={palette.surface}
        stroke={palette.edge}
        strokeWidth={2}
      />
      <Arrow d="M124 84V34M124 34V50" head="M124 34L118 44M124 34L130 44M118 74L124 84L130 74" colour={palette.text} />
      <G>
        <Circle cx={276} cy={76} r={20} fill="none" stroke={palette.soon} strokeWidth={4} />
        {Array.from({ length: 8 }, (_, at) => {
          const [x, y] = [Math.cos((at * Math.PI) / 4), Math.sin((at * Math.PI) / 4)];
          return (
            <Line
              key={at}
              x1={276 + 26 * x}
              y1={76 + 26 * y}
              x2={276 + 35 * x}
              y2={76 + 35 * y}
              stroke={palette.soon}
              strokeWidth={4}
            />
          );
        })}
        <Path d="M246 46L306 106M306 46L246 106" stroke={palette.now} strokeWidth={5} />
      </G>
    </>
  );
}

/** A closed case lying, a clock above it, the air going in slowly. */
export function closedCase(palette: Palette): ReactNode {
  return (
    <>
      <Path
        d="M30 150Q26 112 60 108H250Q292 108 292 132Q292 150 270 150Z"
        fill={palette.stick}
        stroke={palette.woodDark}
        strokeWidth={2}
      />
      <Path d="M30 132H291" stroke={palette.woodDark} strokeWidth={3} />
      {[86, 220].map((x) => (
        <Rect key={x} x={x} y={126} width={20} height={12} rx={2} fill={palette.edge} />
      ))}
      <Path d="M136 108Q136 94 160 94Q184 94 184 108" stroke={palette.woodDark} strokeWidth={5} fill="none" />
      <Circle cx={160} cy={50} r={32} fill={palette.surface} stroke={palette.text} strokeWidth={2.5} />
      <Path d="M160 50V28M160 50L176 58" stroke={palette.text} strokeWidth={3} strokeLinecap="round" />
    </>
  );
}
