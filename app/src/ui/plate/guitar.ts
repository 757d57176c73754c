import { ellipse, path, strings, taper, type PlateData, type Shape } from './shapes';

const ACOUSTIC =
  'M0 0C24 -9 58 -10 76 14C92 36 88 66 74 88C64 104 64 116 72 130C84 150 112 168 112 214C112 262 66 280 0 280';
const ELECTRIC =
  'M0 40C18 40 24 34 26 20C28 -2 54 -16 68 2C80 18 62 46 66 78C69 104 98 128 104 178C110 236 72 276 0 276';

/** Frets by the rule of equal temperament: each shortens the string by the twelfth root of two. */
function frets(nut: number, bridge: number, count: number, last: number): Shape[] {
  const shapes: Shape[] = [];
  for (let fret = 1; fret <= count; fret++) {
    const y = bridge - (bridge - nut) / 2 ** (fret / 12);
    if (y < last) shapes.push(path(`M-13 ${y}H13`, 'metal', 1));
  }
  return shapes;
}

/** A guitar from the front: acoustic with a sound hole, or electric with pick-ups. @param count strings drawn, two at least */
export function guitarPlate(electric: boolean, count = 6): PlateData {
  const nut = -196;
  const bridge = 206;
  const boardEnd = electric ? 96 : 66;
  const gauge = (at: number) => 2.2 - at * (1.4 / (count - 1));
  const aSide = Math.ceil(count / 2);
  const tuners = Array.from({ length: aSide }, (_, at) => -214 - at * (aSide === 1 ? 0 : 32 / (aSide - 1))).map((y) =>
    path(`M15 ${y}H26m0 -5v10`, 'stick', 4.5 - Math.max(0, aSide - 3) * 0.6, true),
  );
  return {
    viewBox: [-126, -278, 252, 572],
    shapes: [
      path(electric ? ELECTRIC : ACOUSTIC, 'wood', 2.2, true),
      ...(electric
        ? [path('M-34 112H34V128H-34ZM-34 166H34V182H-34Z', 'ebony', 0)]
        : [path(ellipse(0, 98, 31), 'none', 2.4), path(ellipse(0, 98, 26), 'ebony', 0)]),
      path(taper(-262, 17, nut, 14), 'wood', 1.6),
      ...tuners,
      path(taper(nut, 13, boardEnd, 16), 'ebony', 0),
      ...frets(nut, bridge, electric ? 22 : 19, boardEnd),
      path(`M-44 ${bridge - 6}H44V${bridge + 8}H-44Z`, electric ? 'metal' : 'ebony', 0),
      ...strings(count, nut, 10.5, bridge, 15, gauge),
    ],
    zones: {
      strings: strings(count, nut, 10.5, bridge, 15, () => 4),
      'hand-zones': [
        path(taper(nut + 2, 17, 40, 20), 'none', 0),
        path(
          electric
            ? 'M60 66C66 110 100 130 104 182L88 190C84 146 50 116 46 70Z'
            : 'M70 132C84 152 112 170 111 216L94 214C94 180 68 164 56 140Z',
          'none',
          0,
        ),
      ],
      fretboard: [path(taper(nut - 2, 16, boardEnd + 2, 19), 'none', 0)],
      bridge: [path(`M-50 ${bridge - 13}H50V${bridge + 15}H-50Z`, 'none', 0)],
      pegs: [path(taper(-260, 31, -204, 31), 'none', 0)],
      whole: [path(electric ? ELECTRIC : ACOUSTIC, 'none', 6, true)],
    },
    anchors: {
      strings: [0, 150],
      'hand-zones': [84, 170],
      fretboard: [0, -90],
      bridge: [0, bridge],
      pegs: [0, -232],
      whole: [-72, 226],
    },
  };
}
