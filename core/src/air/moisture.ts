import { firstReaching } from '../maths';

/**
 * Equilibrium moisture content of wood: where it comes to rest in air that stays the same (Hailwood and Horrobin)
 * [USDA Forest Products Laboratory, Wood Handbook, eq. 4-5].
 * @param rh fraction, 0 to 1
 * @param tempC −1 to 55 °C
 * @returns mass of water over dry mass, as a fraction
 * @example equilibriumMoisture(0.5, 20) // 0.09271
 */
export function equilibriumMoisture(rh: number, tempC: number): number {
  const w = 349 + 1.29 * tempC + 0.0135 * tempC * tempC;
  const k = 0.805 + 0.000736 * tempC - 0.00000273 * tempC * tempC;
  const k1 = 6.27 - 0.00938 * tempC - 0.000303 * tempC * tempC;
  const k2 = 1.91 + 0.0407 * tempC - 0.000293 * tempC * tempC;
  const kh = k * rh;
  const first = k1 * kh;
  const second = k1 * k2 * kh * kh;
  return (18 / w) * (kh / (1 - kh) + (first + 2 * second) / (1 + first + second));
}

/** How nearly a humidity at rest is found, fraction. */
const REST_WIDTH = 1e-12;

/** Temperature at which moisture is spoken of as a humidity, °C: an ordinary room. */
export const ROOM_C = 20;

/**
 * The humidity in which wood of this moisture would be at rest: moisture in words that can be compared with a hygrometer.
 * @param moisture fraction, 0 to 0.3
 * @returns fraction, 0 to 1
 * @example restHumidity(0.092) // 0.4956
 */
export function restHumidity(moisture: number, tempC = ROOM_C): number {
  return firstReaching((rh) => equilibriumMoisture(rh, tempC), moisture, 0, 1, REST_WIDTH);
}

/** Air over time as columns of equal length: instants in ms, rising; relative humidity as a fraction; °C. Each holds until the next. */
export interface AirColumns {
  at: ArrayLike<number>;
  rh: ArrayLike<number>;
  tempC: ArrayLike<number>;
}

/**
 * Moisture of a part that lags behind its surface: a first-order lag of the equilibrium moisture.
 * @param tauMs time constant
 * @param holdMs a reading is believed for so long; over a longer gap the wood is taken to stay as it was
 * @param start moisture before the first reading; at rest with that reading when left out
 * @returns moisture at each instant, fractions
 */
export function laggedMoisture(air: AirColumns, tauMs: number, holdMs: number, start?: number): Float64Array {
  const { at, rh, tempC } = air;
  const line = new Float64Array(at.length);
  if (at.length === 0) return line;
  let moisture = start ?? equilibriumMoisture(rh[0]!, tempC[0]!);
  line[0] = moisture;
  let lastStep = -1;
  let keeps = 1;
  for (let index = 1; index < at.length; index++) {
    const before = index - 1;
    const step = Math.min(at[index]! - at[before]!, holdMs);
    if (step !== lastStep) {
      keeps = Math.exp(-step / tauMs);
      lastStep = step;
    }
    const rest = equilibriumMoisture(rh[before]!, tempC[before]!);
    moisture = rest + (moisture - rest) * keeps;
    line[index] = moisture;
  }
  return line;
}

/**
 * Moisture after air has stayed the same for so long.
 * @example approached(0.09, 0.06, 2 * DAY_MS, 2 * DAY_MS) // 0.07104
 */
export function approached(moisture: number, rest: number, elapsedMs: number, tauMs: number): number {
  return rest + (moisture - rest) * Math.exp(-elapsedMs / tauMs);
}

/**
 * How long until a lagging part crosses a limit, if the air stays as it is.
 * @returns ms; 0 when it is past the limit already, null when it comes to rest before it
 */
export function timeToLimit(moisture: number, rest: number, limit: number, tauMs: number): number | null {
  if ((limit - moisture) * (limit - rest) > 0) return null;
  if (moisture === limit) return 0;
  const ratio = (moisture - rest) / (limit - rest);
  return ratio > 1 && Number.isFinite(ratio) ? tauMs * Math.log(ratio) : null;
}
