import { ellipse, path, strings, taper, type PlateData, type Shape } from './shapes';
import { insetOf, outlineOf, type Run } from './outline';

/** A body's measures, mm: its length, its widths across, and where bridge and nut stand from its upper edge. */
interface Measures {
  body: number;
  upper: number;
  waist: number;
  lower: number;
  /** Upper edge to the notches of the f-holes: there the bridge stands. */
  stop: number;
  /** Upper edge to the nut. */
  neck: number;
  /** Length of the fingerboard, of the tailpiece, and from the nut to the end of the scroll. */
  board: number;
  tailpiece: number;
  head: number;
}

/** Body, bouts, stop and neck of the usual full size; a viola of sixteen inches, a bass of three quarters. Common practice; bass from memory. */
export const MEASURES = {
  violin: {
    body: 355,
    upper: 168,
    waist: 112,
    lower: 208,
    stop: 195,
    neck: 130,
    board: 270,
    tailpiece: 112,
    head: 106,
  },
  viola: { body: 406, upper: 188, waist: 130, lower: 242, stop: 220, neck: 147, board: 306, tailpiece: 128, head: 116 },
  cello: { body: 755, upper: 340, waist: 230, lower: 440, stop: 400, neck: 280, board: 580, tailpiece: 235, head: 205 },
  bass: { body: 1110, upper: 508, waist: 368, lower: 660, stop: 610, neck: 440, board: 850, tailpiece: 340, head: 300 },
} as const satisfies Record<string, Measures>;

/** What a plate's lengths are in: every body is drawn as long as a violin's, so that strokes stay alike. */
const UNIT = MEASURES.violin.body;

interface BowedForm {
  family: keyof typeof MEASURES;
  /** Shoulders that slope into the neck, as the viols had them. */
  sloped: boolean;
  chinRest: boolean;
  shoulderRest: boolean;
  endpin: boolean;
  /** How many strings are drawn, and pegs with them. */
  count: number;
}

/** Right half of a body from the middle of its top to that of its bottom: upper bout, waist, lower bout, with blunt corners between. */
function halfOf({ upper, waist, lower }: Pick<Measures, 'upper' | 'waist' | 'lower'>, sloped: boolean): Run[] {
  const [u, w, l] = [upper / 2, waist / 2, lower / 2];
  const [upperCorner, lowerCorner] = [w + (u - w) * 0.78, w + (l - w) * 0.77];
  const shoulder: Run['curves'] = sloped
    ? [
        [12, -22, 19, 6, 33, 26],
        [50, 50, u, 58, u, 92],
      ]
    : [[u * 0.56, -1, u, 18, u, 70]];
  return [
    {
      from: sloped ? [0, -30] : [0, 0],
      curves: [
        ...shoulder,
        [u, 94, upperCorner - 3, 104, upperCorner - 6.5, 112],
        [upperCorner - 8, 116, upperCorner - 5, 120, upperCorner + 0.5, 122.5],
      ],
    },
    {
      from: [upperCorner - 1.5, 129],
      curves: [
        [upperCorner - 12, 130, w, 146, w, 172],
        [w, 196, lowerCorner - 22, 212, lowerCorner - 2.5, 216.5],
      ],
    },
    {
      from: [lowerCorner + 0.5, 223.5],
      curves: [
        [lowerCorner - 6, 226, lowerCorner - 9, 229, lowerCorner - 7, 234],
        [lowerCorner - 3, 243, l, 254, l, 281],
        [l, 326, l * 0.6, UNIT, 0, UNIT],
      ],
    },
  ];
}

/** One f-hole, its notches where the bridge stands: eyes, stem, and the cut across its middle. */
function fHole(stop: number, waist: number, lower: number): Shape[] {
  const [top, bottom] = [waist * 0.22, lower * 0.275];
  const [stemTop, stemBottom] = [top + 11.5, bottom - 9.5];
  const middle = (stemTop + stemBottom) / 2;
  const stem = [
    `M${top} ${stop - 36}C${top - 3} ${stop - 45} ${stemTop + 1} ${stop - 47} ${stemTop} ${stop - 32}`,
    `C${stemTop - 1} ${stop - 14} ${stemBottom - 1} ${stop + 8} ${stemBottom} ${stop + 22}`,
    `C${stemBottom + 1} ${stop + 35} ${bottom + 5} ${stop + 34} ${bottom} ${stop + 26}`,
  ].join('');
  return [
    path(stem, 'none', 3.4, true),
    path(`${ellipse(top, stop - 34.5, 3.4)}${ellipse(bottom, stop + 25.5, 4.6)}`, 'ebony', 0, true),
    path(`M${middle - 4.6} ${stop + 0.5}L${middle + 4.6} ${stop - 1.5}`, 'none', 1.5, true),
  ];
}

/** Pegbox with its pegs, and the scroll seen from the front: its turns stand out to both sides. */
function headOf(top: number, length: number, count: number, geared: boolean): Shape[] {
  const box = top - length * 0.68;
  const turn = box - length * 0.15;
  const pegs = Array.from({ length: count }, (_, at) => {
    // The lowest string’s peg is nearest the nut, on its own side.
    const y = top - length * (0.14 + (0.42 * at) / (count - 1));
    const side = at % 2 === 0 ? -1 : 1;
    const shaft = path(`M${side * 8} ${y}H${side * 20}`, 'stick', 3.4);
    const grip = geared
      ? path(`M${side * 18} ${y - 6}H${side * 27}V${y + 6}H${side * 18}Z`, 'metal', 0)
      : path(ellipse(side * 24, y, 4.6, 6.2), 'ebony', 0);
    return [shaft, grip];
  }).flat();
  return [
    path(ellipse(13.5, turn, 4.5, 7), 'wood', 1.4, true),
    path(taper(box, 8.5, top, 12), 'wood', 1.6),
    path(taper(box + 7, 4.6, top - 5, 7.6), 'ebony', 0),
    path(
      `M-8.5 ${box}C-13 ${turn + 6} -13.5 ${turn - 6} -9.5 ${turn - 12}C-5 ${turn - 18} 5 ${turn - 18} 9.5 ${turn - 12}C13.5 ${turn - 6} 13 ${turn + 6} 8.5 ${box}Z`,
      'wood',
      1.6,
    ),
    path(`M0 ${box - 1}V${turn - 16}`, 'none', 1.2),
    path(`M4 ${box - 1}C5.5 ${turn + 4} 5.5 ${turn - 6} 3.6 ${turn - 15}`, 'none', 1, true),
    ...pegs,
  ];
}

const CHIN_REST = 'M-15 330C-22 304 -44 288 -68 289C-94 291 -101 316 -86 334C-70 352 -34 355 -15 350Z';

/** A shoulder rest lies beneath: its feet hold on to the edge. */
const REST_FEET = 'M90 264L112 258M94 322L110 334';

/** A form with its lengths in the plate's own units. */
function sizedOf(form: BowedForm) {
  const { body, ...measures } = MEASURES[form.family];
  const scale = UNIT / body;
  const { neck, stop, tailpiece, board, head, ...bouts } = Object.fromEntries(
    Object.entries(measures).map(([name, mm]) => [name, mm * scale]),
  ) as Record<keyof typeof measures, number>;
  const half = halfOf(bouts, form.sloped);
  /** Behind the bridge a sixth of the string is left to the tailpiece. Common practice. */
  const saddle = stop + (neck + stop) / 6;
  const spread = (across: number) => (across * (form.count + 2)) / 6;
  return {
    ...form,
    ...bouts,
    half,
    outline: outlineOf(half),
    stop,
    head,
    top: -neck,
    boardEnd: board - neck,
    saddle,
    tail: Math.min(UNIT - 6, saddle - 6 + tailpiece),
    stringed: (gauge: (at: number) => number) => [
      ...strings(form.count, -neck, spread(7.6), stop, spread(16.5), gauge),
      ...strings(form.count, stop, spread(16.5), saddle, spread(12.5), gauge),
    ],
  };
}
type Sized = ReturnType<typeof sizedOf>;

/** The body with all that stands on it, from back to front. */
function bodyOf({ half, outline, stop, waist, lower, top, boardEnd, saddle, tail, stringed, ...form }: Sized): Shape[] {
  return [
    path(outline, 'wood', 2.2, true),
    path(insetOf(half, 4.2), 'none', 1.1, true),
    ...fHole(stop, waist, lower),
    path(taper(top, 11.5, 12, 15.5), 'wood', 1.6),
    path(taper(top, 11.5, boardEnd, 20.5), 'ebony', 0),
    path(
      `M-20 ${saddle}C-20 ${saddle - 8} -12 ${saddle - 9} 0 ${saddle - 9}C12 ${saddle - 9} 20 ${saddle - 8} 20 ${saddle}L11 ${tail}H-11Z`,
      'ebony',
      0,
    ),
    path(`M-6 ${tail}V${UNIT - 1}M6 ${tail}V${UNIT - 1}`, 'stick', 1.8),
    path(`M-16 ${UNIT - 4}H16V${UNIT + 1}H-16Z`, 'ebony', 0),
    ...(form.chinRest ? [path(CHIN_REST, 'ebony', 0)] : []),
    ...(form.endpin
      ? [path(`M0 ${UNIT}V${UNIT + 46}`, 'stick', 4.4), path(ellipse(0, UNIT + 2, 8, 5), 'ebony', 0)]
      : []),
    // From above a bridge is its feet, and the thin edge that carries the strings.
    path(`M-20.5 ${stop}H20.5`, 'stick', 4.6),
    path(`M-18 ${stop}C-8 ${stop - 1.4} 8 ${stop - 1.4} 18 ${stop}`, 'hair', 1.6),
    ...stringed((at) => 2 - at / (form.count - 1)),
  ];
}

function zonesOf({
  outline,
  chinRest,
  endpin,
  stop,
  head,
  top,
  boardEnd,
  saddle,
  tail,
  stringed,
}: Sized): PlateData['zones'] {
  return {
    strings: stringed(() => 5),
    'rosin-zones': [
      path(taper(boardEnd, 22, stop - 5, 26), 'none', 0),
      path(`M-38 ${stop - 5}H38V${stop + 18}H-38Z`, 'none', 0),
      path(taper(saddle - 8, 27, tail, 20), 'none', 0),
    ],
    'hand-zones': [
      path(taper(top + 4, 15, 6, 19), 'none', 0),
      path('M24 4C52 8 78 28 82 64C66 52 44 40 24 40Z', 'none', 0, true),
      ...(chinRest ? [path(CHIN_REST, 'none', 0)] : []),
      path('M98 282C104 320 74 346 34 350C66 338 88 314 88 276Z', 'none', 0, !chinRest),
    ],
    'shoulder-rest': [path('M-96 264C-52 230 52 230 96 264L86 284C48 254 -48 254 -86 284Z', 'none', 0)],
    'under-tailpiece': [path(taper(saddle - 9, 27, tail + 2, 20), 'none', 0)],
    bridge: [
      path(
        `M-30 ${stop + 9}C-28 ${stop - 12} -14 ${stop - 13} 0 ${stop - 13}C14 ${stop - 13} 28 ${stop - 12} 30 ${stop + 9}Z`,
        'none',
        0,
      ),
    ],
    fretboard: [path(taper(top - 2, 15, boardEnd + 4, 24), 'none', 0)],
    pegs: [path(taper(top - head * 0.7, 30, top - 6, 30), 'none', 0)],
    whole: [path(outline, 'none', 6, true)],
    ...(chinRest && { 'chin-rest': [path(CHIN_REST, 'none', 0)] }),
    ...(endpin && { endpin: [path(`M-11 ${UNIT - 4}H11V${UNIT + 50}H-11Z`, 'none', 0)] }),
  };
}

function bowedPlate(form: BowedForm): PlateData {
  const sized = sizedOf(form);
  const { top, head, stop, saddle, endpin, shoulderRest, family, count } = sized;
  const foot = endpin ? UNIT + 58 : UNIT + 12;
  return {
    viewBox: [-118, top - head - 6, 236, foot - top + head + 6],
    shapes: [
      ...(shoulderRest ? [path(REST_FEET, 'none', 6, true)] : []),
      ...headOf(top, head, count, family === 'bass'),
      ...bodyOf(sized),
    ],
    zones: zonesOf(sized),
    anchors: {
      strings: [0, 90],
      'rosin-zones': [0, stop - 27],
      'hand-zones': [62, 40],
      'shoulder-rest': [-84, 272],
      'chin-rest': [-58, 322],
      'under-tailpiece': [0, saddle + 50],
      fretboard: [0, 40],
      bridge: [0, stop],
      pegs: [0, top - 34],
      endpin: [0, UNIT + 28],
      whole: [-62, 238],
    },
  };
}

const CHIN_HELD = { sloped: false, chinRest: true, endpin: false } as const;
const STOOD = { chinRest: false, shoulderRest: false, endpin: true } as const;

/** @param count strings drawn: at least four, and no more than can be told apart */
export const bowedPlates = {
  violin: (rest: boolean, count = 4) => bowedPlate({ ...CHIN_HELD, family: 'violin', shoulderRest: rest, count }),
  viola: (rest: boolean, count = 4) => bowedPlate({ ...CHIN_HELD, family: 'viola', shoulderRest: rest, count }),
  cello: (count = 4) => bowedPlate({ ...STOOD, family: 'cello', sloped: false, count }),
  bass: (count = 4) => bowedPlate({ ...STOOD, family: 'bass', sloped: true, count }),
};

/** A bow lying beside its instrument, frog down. */
export function bowPlate(height: number): PlateData {
  const tip = 10;
  const frog = height - 52;
  const screw = height - 12;
  const middle = (tip + frog) / 2;
  // The stick keeps an inward curve, towards the hair.
  const stick = `M10 ${tip + 6}C22 ${middle - height / 5} 22 ${middle + height / 5} 10 ${screw - 8}`;
  const hair = `M28 ${tip + 8}V${frog + 4}`;
  return {
    viewBox: [0, 0, 44, height],
    shapes: [
      path(`M10 ${tip + 8}L8 ${tip}L30 ${tip + 2}V${tip + 12}L16 ${tip + 14}Z`, 'wood', 1.4),
      path(stick, 'stick', 6),
      path(hair, 'hair', 5),
      path(`M12 ${frog}H32V${frog + 24}H12Z`, 'ebony', 0),
      path(ellipse(22, frog + 12, 4), 'metal', 0),
      path(`M7 ${screw - 6}H14V${screw}H7Z`, 'metal', 1),
    ],
    zones: {
      'bow-hair': [path(hair, 'none', 11)],
      'bow-screw': [path(`M2 ${screw - 14}H20V${screw + 8}H2Z`, 'none', 0), path(hair, 'none', 7)],
      'bow-stick': [path(stick, 'none', 13), path(`M10 ${frog - 2}H34V${frog + 26}H10Z`, 'none', 0)],
    },
    anchors: { 'bow-hair': [28, middle + 40], 'bow-stick': [18, middle - 40], 'bow-screw': [11, screw - 2] },
  };
}
