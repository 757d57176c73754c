import { ellipse, path, type PlateData, type Shape } from './shapes';

const NECK = 'M-94 -196C-70 -228 -44 -176 -8 -178C30 -180 44 -222 86 -216C98 -214 102 -202 98 -190';
const NECK_UNDER = 'C80 -200 44 -152 -4 -152C-38 -152 -58 -182 -80 -172Z';

/** Height of the neck's lower edge, and of the soundboard's slant, at a share of the way from the column to the player. */
const neckAt = (along: number) => -172 + 20 * Math.sin(Math.PI * along) - 12 * along;
const boardAt = (along: number) => Math.max(neckAt(along) + 12, 318 - 440 * along);
const xAt = (along: number) => -74 + 156 * along;

const STRINGS = 22;
const alongs = Array.from({ length: STRINGS }, (_, at) => at / (STRINGS - 1));

/** Strings from the neck down to the slanted body; the shorter, the nearer the player. */
function harpStrings(gauge: number): Shape[] {
  return alongs.map((along) => path(`M${xAt(along)} ${neckAt(along)}V${boardAt(along)}`, 'metal', gauge));
}

/** What shortens the strings: a lever beside each on a lever harp, a disc under each pin on a pedal harp. */
function action(pedal: boolean): Shape[] {
  return alongs.flatMap((along) => {
    const [x, y] = [xAt(along), neckAt(along)];
    const pin = path(ellipse(x, y - 12, 1.8), 'ebony', 0);
    return [pin, pedal ? path(ellipse(x, y + 2, 2.6), 'ebony', 0) : path(`M${x} ${y + 3}l4 5`, 'stick', 2.2)];
  });
}

/** A harp from the side, its column to the left: a lever harp's is bowed and light, a pedal harp's straight with crown and base. */
export function harpPlate(pedal: boolean): PlateData {
  const column = pedal
    ? 'M-106 -196H-84V340H-106Z'
    : 'M-96 -196C-118 -60 -118 160 -100 344H-82C-98 160 -98 -60 -80 -186Z';
  const body = 'M88 -186L114 -174L-40 352H-92L-86 330Z';
  return {
    viewBox: [-128, -244, 252, 612],
    shapes: [
      path(column, 'wood', 1.8),
      path(body, 'wood', 2.2),
      // The soundboard's edge, and the openings at the back of the body.
      path('M96 -178L-62 348', 'stick', 1.4),
      ...[0.28, 0.46, 0.64].map((along) => path(ellipse(104 - 158 * along, -160 + 510 * along, 5, 12), 'ebony', 0)),
      ...harpStrings(1.3),
      path(NECK + NECK_UNDER, 'wood', 1.8),
      ...action(pedal),
      ...(pedal
        ? [
            path('M-112 -214H-78V-194H-112Z', 'wood', 1.8),
            path('M-118 338H-24V358H-118Z', 'wood', 2),
            ...[-104, -84, -64, -44].map((x) => path(`M${x} 350l-6 12h9l3 -12Z`, 'metal', 1)),
          ]
        : [path('M-110 346H-30V358H-110Z', 'ebony', 0)]),
    ],
    zones: {
      strings: harpStrings(3.4),
      'hand-zones': [
        path('M86 -190L118 -176L86 -70L62 -88Z', 'none', 0),
        path('M10 168L34 160L-6 300L-34 292Z', 'none', 0),
      ],
      action: [path(NECK + NECK_UNDER, 'none', 0)],
      pegs: [path(NECK + NECK_UNDER, 'none', 0)],
      whole: [path(body, 'none', 6), path(column, 'none', 4)],
    },
    anchors: {
      strings: [-10, 20],
      'hand-zones': [92, -120],
      action: [0, -178],
      pegs: [0, -188],
      whole: [10, 110],
    },
  };
}
