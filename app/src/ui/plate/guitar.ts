import { ellipse, path, strings, taper, type PlateData, type Shape } from './shapes';

export type GuitarForm = 'steel' | 'classical' | 'electric' | 'bass-guitar';

/** Nut and bridge: strings of any length are drawn as long, so that strokes stay alike. */
const [NUT, BRIDGE] = [-196, 206];
const LENGTH = BRIDGE - NUT;
/** Where a fret stands: each shortens the string by the twelfth root of two. */
const fretAt = (fret: number) => BRIDGE - LENGTH / 2 ** (fret / 12);

interface Form {
  /** The string's length, mm: what the other measures are scaled by. */
  stringMm: number;
  /** Frets, and the fret at which neck and body meet. */
  frets: number;
  joins: number;
  /** Length of the body and its half widths: upper bout, waist, lower bout, mm; null: an own outline. */
  body: readonly [length: number, upper: number, waist: number, lower: number] | null;
  holeMm: number;
}

/** Common practice. */
const FORMS: Readonly<Record<GuitarForm, Form>> = {
  classical: { stringMm: 650, frets: 19, joins: 12, body: [490, 140, 118, 183], holeMm: 86 },
  steel: { stringMm: 645, frets: 20, joins: 14, body: [505, 146, 131, 197], holeMm: 100 },
  electric: { stringMm: 640, frets: 22, joins: 17, body: null, holeMm: 0 },
  'bass-guitar': { stringMm: 864, frets: 20, joins: 16, body: null, holeMm: 0 },
};

/** Right half of a body with a waist, from the middle of its top. */
function waisted(top: number, length: number, upper: number, waist: number, lower: number): string {
  const y = (share: number) => (top + length * share).toFixed(1);
  return [
    `M0 ${y(0)}C${upper * 0.5} ${y(-0.012)} ${upper} ${y(0.04)} ${upper} ${y(0.17)}`,
    `C${upper} ${y(0.27)} ${waist} ${y(0.29)} ${waist} ${y(0.385)}`,
    `C${waist} ${y(0.48)} ${lower} ${y(0.52)} ${lower} ${y(0.71)}`,
    `C${lower} ${y(0.91)} ${lower * 0.62} ${y(1)} 0 ${y(1)}`,
  ].join('');
}

/** A solid body cut away on both sides of the neck, deeper where the high strings are. */
const CUT_AWAY =
  'M-15 58C-22 42 -33 22 -47 10C-62 -2 -80 4 -83 24C-86 48 -72 74 -73 104C-74 134 -103 152 -105 200C-107 246 -70 270 -8 268C60 267 101 246 102 204C103 164 74 146 69 112C66 90 80 74 77 53C74 36 57 36 46 48C34 60 26 66 15 64Z';

/** Frets, and the dots that help to find them: between the strings, two at the octave. */
function neckOf(frets: number, end: number, dotted: boolean): Shape[] {
  const half = (y: number) => 13 + (3 * (y - NUT)) / (end - NUT);
  const lines = Array.from({ length: frets }, (_, at) => fretAt(at + 1)).filter((y) => y < end - 1);
  const dots = dotted ? [3, 5, 7, 9, 12, 15, 17, 19].filter((fret) => fretAt(fret) < end) : [];
  return [
    path(taper(NUT, 13, end, 16), 'ebony', 0),
    ...lines.map((y) => path(`M${-half(y)} ${y}H${half(y)}`, 'metal', 1)),
    ...dots.map((fret) => {
      const y = (fretAt(fret) + fretAt(fret - 1)) / 2;
      return path(fret === 12 ? `${ellipse(-6, y, 1.7)}${ellipse(6, y, 1.7)}` : ellipse(0, y, 1.7), 'hair', 0);
    }),
    path(taper(NUT - 3, 13, NUT, 13), 'string', 0),
  ];
}

/** The head with its tuners, as many on either side: slotted with rollers, or whole. */
function headOf(count: number, slotted: boolean): { shapes: Shape[]; end: number } {
  const aSide = Math.ceil(count / 2);
  const end = NUT - 30 - Math.max(2, aSide) * 13;
  const tuners = Array.from({ length: aSide }, (_, at) => NUT - 20 - at * 13);
  return {
    end,
    shapes: [
      path(
        `M-13.5 ${NUT}L-18 ${NUT - 14}L-20 ${end + 5}C-12 ${end - 3} 12 ${end - 3} 20 ${end + 5}L18 ${NUT - 14}L13.5 ${NUT}Z`,
        'wood',
        1.6,
      ),
      ...tuners.flatMap((y) => [
        path(`M19 ${y}H25`, 'metal', 2.4, true),
        path(`M24 ${y - 4.5}H31V${y + 4.5}H24Z`, 'metal', 0, true),
        ...(slotted ? [] : [path(ellipse(11, y, 2.6), 'metal', 0, true)]),
      ]),
      ...(slotted
        ? [
            path(`M6.5 ${NUT - 12}H12V${end + 11}H6.5Z`, 'ebony', 0, true),
            ...tuners.map((y) => path(`M6 ${y}H13`, 'hair', 2.6, true)),
          ]
        : []),
    ],
  };
}

/** Strings in pairs lie close beside each other. */
function coursesOf(
  count: number,
  from: readonly [y: number, half: number],
  to: readonly [y: number, half: number],
  gauge: (at: number) => number,
): Shape[] {
  if (count < 10) return strings(count, from[0], from[1], to[0], to[1], gauge);
  const courses = count / 2;
  return Array.from({ length: count }, (_, at) => {
    const across = (2 * Math.floor(at / 2)) / (courses - 1) - 1;
    const beside = (at % 2 === 0 ? -1 : 1) * 0.07;
    return path(
      `M${(across + beside) * from[1]} ${from[0]}L${(across + beside) * to[1]} ${to[0]}`,
      'string',
      gauge(at),
    );
  });
}

/** What holds the strings on the body, and what lies under them. */
function onBody(form: GuitarForm, hole: number, radius: number): Shape[] {
  if (form === 'electric' || form === 'bass-guitar')
    return [
      ...[118, 168].map((y) =>
        path(
          `M-27 ${y - 8}C-27 ${y - 10} 27 ${y - 10} 27 ${y - 8}V${y + 8}C27 ${y + 10} -27 ${y + 10} -27 ${y + 8}Z`,
          'ebony',
          0,
        ),
      ),
      path(`M-28 ${BRIDGE - 6}H28V${BRIDGE + 12}H-28Z`, 'metal', 0),
      path(ellipse(62, 214, 6), 'metal', 0),
      path(ellipse(50, 232, 6), 'metal', 0),
    ];
  const round = [
    path(ellipse(0, hole, radius + 9), 'none', 1.2),
    path(ellipse(0, hole, radius + 5.5), 'none', form === 'classical' ? 4 : 1.6),
    path(ellipse(0, hole, radius), 'ebony', 0),
  ];
  if (form === 'classical')
    return [
      ...round,
      path(`M-57 ${BRIDGE - 5}H57V${BRIDGE + 9}H-57Z`, 'ebony', 0),
      path(`M-25 ${BRIDGE + 3}H25V${BRIDGE + 8}H-25Z`, 'wood', 0),
      path(`M-25 ${BRIDGE}H25`, 'string', 1.6),
    ];
  return [
    ...round,
    path(
      `M-47 ${BRIDGE + 4}C-40 ${BRIDGE - 8} 40 ${BRIDGE - 8} 47 ${BRIDGE + 4}C40 ${BRIDGE + 16} -40 ${BRIDGE + 16} -47 ${BRIDGE + 4}Z`,
      'ebony',
      0,
    ),
    path(`M-24 ${BRIDGE + 1.5}L24 ${BRIDGE - 1}`, 'string', 1.8),
  ];
}

/** A guitar from the front. @param count strings drawn, two at least */
export function guitarPlate(form: GuitarForm, count = 6): PlateData {
  const { stringMm, frets, joins, body, holeMm } = FORMS[form];
  const scale = LENGTH / stringMm;
  const top = fretAt(joins);
  const hole = body ? top + body[0] * scale * 0.315 : 0;
  const radius = (holeMm * scale) / 2;
  const boardEnd = body ? hole - radius + (form === 'classical' ? 4 : 2) : fretAt(frets) + 5;
  const outline = body ? waisted(top, body[0] * scale, body[1] * scale, body[2] * scale, body[3] * scale) : CUT_AWAY;
  const solid = body === null;
  const foot = body ? top + body[0] * scale : 268;
  const gauge = (at: number) => (count >= 10 ? 1.2 : 2.2 - at * (1.3 / (count - 1)));
  const { shapes: head, end } = headOf(count, form === 'classical');
  const stringed = (width: (at: number) => number) => coursesOf(count, [NUT, 10.5], [BRIDGE, 16], width);
  const [upper, waist, lower] = body ? [body[1] * scale, body[2] * scale, body[3] * scale] : [76, 68, 102];
  const underArm = body ? foot - body[0] * scale * 0.29 : 204;
  return {
    viewBox: [-130, end - 8, 260, foot - end + 18],
    shapes: [
      path(outline, 'wood', 2.2, !solid),
      ...(solid
        ? []
        : [path(waisted(top + 4.5, body[0] * scale - 9, upper - 4.5, waist - 4.5, lower - 4.5), 'none', 1, true)]),
      ...onBody(form, hole, radius),
      ...head,
      ...neckOf(frets, boardEnd, form !== 'classical'),
      ...stringed(gauge),
    ],
    zones: {
      strings: stringed(() => 4),
      'hand-zones': [
        path(taper(NUT + 2, 17, Math.min(top, 40), 20), 'none', 0),
        path(
          `M${waist + 2} ${underArm - 66}C${waist + 8} ${underArm - 44} ${lower} ${underArm - 30} ${lower} ${underArm + 4}L${lower - 17} ${underArm + 4}C${lower - 18} ${underArm - 20} ${waist - 4} ${underArm - 36} ${waist - 14} ${underArm - 60}Z`,
          'none',
          0,
        ),
      ],
      fretboard: [path(taper(NUT - 2, 16, boardEnd + 2, 19), 'none', 0)],
      bridge: [path(`M-56 ${BRIDGE - 13}H56V${BRIDGE + 19}H-56Z`, 'none', 0)],
      pegs: [path(taper(end + 2, 33, NUT - 8, 31), 'none', 0)],
      whole: [path(outline, 'none', 6, !solid)],
    },
    anchors: {
      strings: [0, 150],
      'hand-zones': [lower - 26, underArm - 20],
      fretboard: [0, -90],
      bridge: [0, BRIDGE],
      pegs: [0, (end + NUT) / 2],
      whole: [-lower * 0.68, foot - 70],
    },
  };
}
