import { ellipse, path, strings, taper, type PlateData, type Shape } from './shapes';

interface BowedForm {
  /** Right half of the body, from the neck's root at the top to the middle of the bottom. */
  half: string;
  sloped: boolean;
  chinRest: boolean;
  shoulderRest: boolean;
  endpin: boolean;
  /** How many strings are drawn, and pegs with them. */
  count: number;
}

const ROUND =
  'M0 0C22 -2 32 3 46 8C70 17 85 42 85 73C85 97 79 111 69 123C74 124 78 126 82 130C69 138 57 159 57 182C57 206 69 227 85 234C80 239 75 241 71 242C93 256 105 275 105 298C105 336 62 356 0 356';
/** A viola is broader below and longer in the body than its neck would make one think. */
const VIOLA =
  'M0 0C24 -2 37 2 53 9C79 20 93 44 93 75C93 98 86 112 75 124C80 125 85 127 89 131C74 139 61 160 61 183C61 207 74 228 92 236C87 240 81 242 77 243C101 257 116 276 116 300C116 340 69 361 0 361';
/** A cello has full shoulders and deep waists. */
const CELLO =
  'M0 0C28 -4 44 0 60 10C86 25 96 50 94 79C92 101 83 114 70 125C75 126 80 128 84 133C65 143 54 161 54 184C54 208 66 230 88 238C83 243 78 245 73 246C99 259 114 280 113 304C112 342 67 359 0 359';
/** A bass has the sloping shoulders of the viols. */
const SLOPED =
  'M0 -14C15 -12 22 2 31 20C45 47 83 58 86 92C87 108 80 116 70 124C75 125 79 127 83 131C70 139 58 159 58 182C58 206 70 227 87 235C82 240 77 242 73 243C97 257 110 276 110 299C110 338 64 356 0 356';

const F_HOLE = 'M31 170C29 159 41 159 41 170C41 188 45 203 47 219C49 234 59 233 57 221';

function bowedPlate({ half, sloped, chinRest, shoulderRest, endpin, count }: BowedForm): PlateData {
  const top = sloped ? -170 : -132;
  const gauge = (at: number) => 2.1 - at * (1.05 / (count - 1));
  const across = 13 + 1.5 * (count - 4);
  const pegs = Array.from({ length: count }, (_, at) => -150 - at * (45 / (count - 1))).map((y, at) => {
    const shift = top + 132;
    const side = at % 2 === 0 ? 1 : -1;
    return path(`M${side * 6} ${y + shift}H${side * 25}m0 -5v10`, 'stick', 4.5);
  });
  const scroll: Shape[] = [
    path(taper(top - 74, 7, top, 10.5), 'wood', 1.6),
    path(ellipse(0, top - 84, 11.5), 'wood', 1.6),
    path(ellipse(0, top - 84, 4), 'none', 1.8),
    ...pegs,
  ];
  const body: Shape[] = [
    path(half, 'wood', 2.2, true),
    path(F_HOLE, 'none', 4, true),
    path(`${ellipse(35.5, 172, 4)}${ellipse(52.5, 224, 4.8)}`, 'ebony', 0, true),
    path(taper(top, 11.5, 14, 15), 'wood', 1.6),
    path(taper(top, 11.5, 140, 20), 'ebony', 0),
    path('M-12 222C-19 222 -21 228 -20 236L-11 332H11L20 236C21 228 19 222 12 222Z', 'ebony', 0),
    ...(chinRest
      ? [path('M-17 326C-26 300 -52 288 -74 294C-94 300 -98 320 -84 334C-68 350 -34 352 -17 346Z', 'ebony', 0)]
      : []),
    ...(endpin ? [path('M0 356V402', 'stick', 5), path(ellipse(0, 358, 9, 5), 'ebony', 0)] : []),
    path('M-24 200C-20 190 -12 188 0 188C12 188 20 190 24 200L19 200L15 196H-15L-19 200Z', 'wood', 1.6),
    ...strings(count, top, 8, 226, across, gauge),
  ];
  const restArc = 'M-88 268C-50 236 50 236 88 268';
  return {
    viewBox: [-122, top - 104, 244, (endpin ? 414 : 370) - top + 104],
    shapes: [...(shoulderRest ? [path(restArc, 'none', 5)] : []), ...scroll, ...body],
    zones: {
      strings: strings(count, top, 8, 226, across, () => 5),
      'rosin-zones': [
        path(taper(140, 22, 190, 25), 'none', 0),
        path('M-38 190H38V212H-38Z', 'none', 0),
        path(taper(228, 27, 326, 20), 'none', 0),
      ],
      'hand-zones': [
        path(taper(top + 4, 15, 6, 19), 'none', 0),
        path('M24 4C52 10 80 30 84 66C66 52 44 40 24 40Z', 'none', 0, true),
        ...(chinRest
          ? [path('M-14 322C-26 296 -54 284 -78 291C-100 298 -103 322 -88 337C-70 354 -34 356 -14 350Z', 'none', 0)]
          : []),
        path('M98 282C104 320 74 346 34 350C66 338 88 314 88 276Z', 'none', 0, !chinRest),
      ],
      'shoulder-rest': [path('M-94 262C-50 226 50 226 94 262L84 282C46 250 -46 250 -84 282Z', 'none', 0)],
      'under-tailpiece': [path(taper(226, 27, 328, 20), 'none', 0)],
      bridge: [path('M-30 206C-26 182 -14 180 0 180C14 180 26 182 30 206Z', 'none', 0)],
      fretboard: [path(taper(top - 2, 15, 144, 24), 'none', 0)],
      pegs: [path(taper(top - 76, 30, top - 8, 30), 'none', 0)],
      whole: [path(half, 'none', 6, true)],
      ...(chinRest && {
        'chin-rest': [
          path('M-13 323C-24 294 -53 281 -77 289C-102 296 -106 322 -89 339C-70 356 -32 358 -13 351Z', 'none', 0),
        ],
      }),
      ...(endpin && { endpin: [path('M-11 350H11V406H-11Z', 'none', 0)] }),
    },
    anchors: {
      strings: [0, 90],
      'rosin-zones': [0, 168],
      'hand-zones': [62, 40],
      'shoulder-rest': [-84, 272],
      'chin-rest': [-58, 322],
      'under-tailpiece': [0, 300],
      fretboard: [0, 40],
      bridge: [0, 196],
      pegs: [0, top - 34],
      endpin: [0, 384],
      whole: [-62, 210],
    },
  };
}

const CHIN_HELD = { sloped: false, chinRest: true, endpin: false } as const;
const STOOD = { chinRest: false, shoulderRest: false, endpin: true } as const;

/** @param count strings drawn: at least four, and no more than can be told apart */
export const bowedPlates = {
  violin: (rest: boolean, count = 4) => bowedPlate({ ...CHIN_HELD, half: ROUND, shoulderRest: rest, count }),
  viola: (rest: boolean, count = 4) => bowedPlate({ ...CHIN_HELD, half: VIOLA, shoulderRest: rest, count }),
  cello: (count = 4) => bowedPlate({ ...STOOD, half: CELLO, sloped: false, count }),
  bass: (count = 4) => bowedPlate({ ...STOOD, half: SLOPED, sloped: true, count }),
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
