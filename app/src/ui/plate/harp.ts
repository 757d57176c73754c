import { path, type PlateData, type Shape } from './shapes';

const NECK = 'M-94 -196C-70 -228 -44 -176 -8 -178C30 -180 44 -222 86 -216C98 -214 102 -202 98 -190';
const NECK_UNDER = 'C80 -200 44 -152 -4 -152C-38 -152 -58 -182 -80 -172Z';

/** Strings from the neck down to the slanted body; the shorter, the nearer the player. */
function harpStrings(count: number, gauge: number): Shape[] {
  return Array.from({ length: count }, (_, at) => {
    const along = at / (count - 1);
    const x = -74 + 156 * along;
    const top = -172 + 20 * Math.sin(Math.PI * along) - 12 * along;
    const bottom = 318 - 440 * along;
    return path(`M${x} ${top}V${Math.max(top + 12, bottom)}`, 'metal', gauge);
  });
}

/** A harp from the side, its pillar to the left. */
export function harpPlate(): PlateData {
  return {
    viewBox: [-122, -244, 244, 612],
    shapes: [
      path('M-104 -196H-84V346H-104Z', 'wood', 1.8),
      path('M88 -186L112 -176L-44 352H-92L-86 330Z', 'wood', 2.2),
      ...harpStrings(22, 1.3),
      path(NECK + NECK_UNDER, 'wood', 1.8),
      path('M-112 346H-30V360H-112Z', 'ebony', 0),
    ],
    zones: {
      strings: harpStrings(22, 3.4),
      'hand-zones': [
        path('M86 -190L116 -178L84 -72L62 -88Z', 'none', 0),
        path('M10 168L34 160L-6 300L-34 292Z', 'none', 0),
      ],
    },
  };
}
