import { ellipse, path, type PlateData, type Shape } from './shapes';

/** The harmonic curve: the neck's lower edge at a share of the way from the column to the player, and the soundboard's slant below. */
const neckAt = (along: number) => -176 + 34 * Math.sin(Math.PI * Math.min(1, along * 1.12)) ** 1.4 - 26 * along;
const boardAt = (along: number) => Math.max(neckAt(along) + 14, 330 - 470 * along);
const xAt = (along: number) => -76 + 158 * along;

/** Strings that are drawn; more could not be told apart. */
const STRINGS = { lever: 24, pedal: 28 } as const;
const alongsOf = (pedal: boolean) => {
  const count = STRINGS[pedal ? 'pedal' : 'lever'];
  return Array.from({ length: count }, (_, at) => at / (count - 1));
};

/** Strings from the neck down to the slanted body: the shorter, the nearer the player. Every C is red and every F black on a harp. */
function harpStrings(pedal: boolean, gauge: number): Shape[] {
  return alongsOf(pedal).map((along, at) =>
    path(
      `M${xAt(along).toFixed(1)} ${neckAt(along).toFixed(1)}V${boardAt(along).toFixed(1)}`,
      at % 7 === 0 ? 'stick' : at % 7 === 3 ? 'none' : 'metal',
      gauge * (1.3 - 0.5 * along),
    ),
  );
}

/** What shortens the strings: a lever beside each on a lever harp, two discs under each pin on a pedal harp. */
function action(pedal: boolean): Shape[] {
  return alongsOf(pedal).flatMap((along) => {
    const [x, y] = [xAt(along), neckAt(along)];
    const pin = path(ellipse(x, y - 15, 1.7), 'ebony', 0);
    return pedal
      ? [pin, path(`${ellipse(x, y - 6, 2.2)}${ellipse(x, y + 2, 2.2)}`, 'metal', 0)]
      : [pin, path(`M${x - 1} ${y + 3}L${x + 3.5} ${y + 8}`, 'stick', 2)];
  });
}

/** The neck as a band along the curve, from the column's head to the shoulder. */
function neckPath(pedal: boolean): string {
  const points = Array.from({ length: 13 }, (_, at) => at / 12);
  const lower = [...points].reverse().map((along) => `L${xAt(along).toFixed(1)} ${(neckAt(along) + 5).toFixed(1)}`);
  const upper = points.map((along) => `L${xAt(along).toFixed(1)} ${(neckAt(along) - 24 - 6 * (1 - along)).toFixed(1)}`);
  return `M${pedal ? -86 : -92} -204${upper.join('')}C100 -226 112 -214 112 -196L100 -178${lower.join('')}L-86 -172Z`;
}

const COLUMN = {
  // A lever harp’s is bowed and light; a pedal harp’s straight, with its rods inside.
  lever: 'M-90 -204C-116 -60 -118 150 -104 340H-86C-98 150 -96 -60 -74 -178Z',
  pedal: 'M-106 -200H-86V338H-106Z',
} as const;
const BODY = {
  lever: 'M86 -196L112 -190L-26 346H-98L-90 330Z',
  pedal: 'M86 -196L114 -190C92 -60 20 150 -14 342H-98L-90 330Z',
} as const;

const CROWN_AND_BASE: readonly Shape[] = [
  path('M-112 -200C-116 -212 -110 -224 -96 -226C-82 -224 -76 -212 -80 -200Z', 'wood', 1.8),
  path('M-110 -206H-82M-108 -188H-84M-108 320H-84', 'none', 1.2),
  ...[-96, -76, -56, -36].map((x) => path(`M${x} 350l-6 14h9l4 -14Z`, 'metal', 1)),
  path('M-116 338H-6V356H-116Z', 'wood', 2),
];
const FEET: readonly Shape[] = [path('M-112 344H-20V353H-112Z', 'ebony', 0)];

/** A harp from the side, its column to the left. */
export function harpPlate(pedal: boolean): PlateData {
  const kind = pedal ? 'pedal' : 'lever';
  const [column, body, neck] = [COLUMN[kind], BODY[kind], neckPath(pedal)];
  return {
    viewBox: [-128, -240, 252, 612],
    shapes: [
      path(column, 'wood', 1.8),
      path(body, 'wood', 2.2),
      // The soundboard’s edge with the strip the strings go through, and the openings at the back of the body.
      path('M92 -188L-80 340', 'none', 1.2),
      ...[0.3, 0.48, 0.66, 0.82].map((along) =>
        path(ellipse(103 - 144 * along, -180 + 515 * along, 4 + 2 * along, 11 + 4 * along), 'ebony', 0),
      ),
      ...harpStrings(pedal, 1.3),
      path(neck, 'wood', 1.8),
      ...action(pedal),
      ...(pedal ? CROWN_AND_BASE : FEET),
    ],
    zones: {
      strings: harpStrings(pedal, 3.4),
      'hand-zones': [
        path('M84 -198L118 -190L88 -78L62 -96Z', 'none', 0),
        path('M22 150L48 158L8 300L-22 290Z', 'none', 0),
      ],
      action: [path(neck, 'none', 0)],
      pegs: [path(neck, 'none', 0)],
      whole: [path(body, 'none', 6), path(column, 'none', 4)],
    },
    anchors: {
      strings: [-10, 20],
      'hand-zones': [90, -130],
      action: [0, -170],
      pegs: [0, -182],
      whole: [14, 130],
    },
  };
}
