import { ellipse, path, strings, taper, type PlateData, type Shape } from './shapes';

interface BowedForm {
  /** Right half of the body, from the neck's root at the top to the middle of the bottom. */
  half: string;
  /** Breadth against a violin's. */
  breadth: number;
  sloped: boolean;
  chinRest: boolean;
  shoulderRest: boolean;
  endpin: boolean;
}

const ROUND =
  'M0 0C22 -2 32 3 46 8C70 17 85 42 85 73C85 97 79 111 69 123C74 124 78 126 82 130C69 138 57 159 57 182C57 206 69 227 85 234C80 239 75 241 71 242C93 256 105 275 105 298C105 336 62 356 0 356';
/** A bass has the sloping shoulders of the viols. */
const SLOPED =
  'M0 -14C15 -12 22 2 31 20C45 47 83 58 86 92C87 108 80 116 70 124C75 125 79 127 83 131C70 139 58 159 58 182C58 206 70 227 87 235C82 240 77 242 73 243C97 257 110 276 110 299C110 338 64 356 0 356';

const F_HOLE = 'M31 170C29 159 41 159 41 170C41 188 45 203 47 219C49 234 59 233 57 221';

function bowedPlate({ half, breadth, sloped, chinRest, shoulderRest, endpin }: BowedForm): PlateData {
  const top = sloped ? -170 : -132;
  const gauge = (at: number) => 2.1 - at * 0.35;
  const pegs = [-150, -165, -180, -195].map((y, at) => {
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
    ...strings(4, top, 8, 226, 13, gauge),
  ];
  const restArc = 'M-88 268C-50 236 50 236 88 268';
  return {
    viewBox: [-122, top - 104, 244, (endpin ? 414 : 370) - top + 104],
    shapes: [
      ...(shoulderRest ? [path(restArc, 'none', 5)] : []),
      ...scroll,
      ...body.map((shape) =>
        shape.mirrored && shape.fill === 'wood' ? { ...shape, d: broadened(shape.d, breadth) } : shape,
      ),
    ],
    zones: {
      strings: strings(4, top, 8, 226, 13, () => 5),
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
    },
  };
}

/** A path with every x stretched; commands and y untouched. */
function broadened(d: string, factor: number): string {
  return factor === 1
    ? d
    : d.replaceAll(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => `${(Number(x) * factor).toFixed(1)} ${y}`);
}

export const bowedPlates = {
  violin: (rest: boolean) =>
    bowedPlate({ half: ROUND, breadth: 1, sloped: false, chinRest: true, shoulderRest: rest, endpin: false }),
  viola: (rest: boolean) =>
    bowedPlate({ half: ROUND, breadth: 1.06, sloped: false, chinRest: true, shoulderRest: rest, endpin: false }),
  cello: () =>
    bowedPlate({ half: ROUND, breadth: 1.04, sloped: false, chinRest: false, shoulderRest: false, endpin: true }),
  bass: () =>
    bowedPlate({ half: SLOPED, breadth: 1, sloped: true, chinRest: false, shoulderRest: false, endpin: true }),
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
      'bow-hair': [path(hair, 'none', 11), path(`M2 ${screw - 12}H19V${screw + 6}H2Z`, 'none', 0)],
      'bow-stick': [path(stick, 'none', 13), path(`M10 ${frog - 2}H34V${frog + 26}H10Z`, 'none', 0)],
    },
  };
}
