import FFT from 'fft.js';

/** A pitch found in a stretch of sound. */
export interface PitchFound {
  hz: number;
  /** How periodic the sound is, 0 to 1: below about 0.9 it is noise or several strings. */
  clarity: number;
}

/** Lowest and highest pitch looked for, Hz: below a bass's E1 tuned down, above a harp's G7. */
export const PITCH_RANGE_HZ = { least: 27, most: 4000 } as const;
/** Samples a stretch should have at 48 kHz: a good three periods of the lowest bass string. */
export const WINDOW_SAMPLES = 4096;
/** A peak counts when it is nearly as high as the highest: the first such is the period, later ones its multiples. */
const NEARLY = 0.93;
const QUIET = 1e-4;
/** The farthest multiple of the period that is looked for, as a share of the stretch. */
const REACH = 0.5;

/**
 * Normalised square difference at one lag, from −1 to 1: 1 where the sound repeats itself exactly.
 * @param squares running sums of squares, one longer than `samples`
 */
function likeness(samples: Float32Array, squares: Float64Array, lag: number): number {
  const count = samples.length - lag;
  let product = 0;
  for (let at = 0; at < count; at++) product += samples[at]! * samples[at + lag]!;
  const power = squares[count]! + (squares[samples.length]! - squares[lag]!);
  return power <= 0 ? 0 : (2 * product) / power;
}

const transforms = new Map<number, FFT>();

/** Sums of products of the sound with itself at every lag, by way of its spectrum. */
function autocorrelation(samples: Float32Array): Float64Array {
  const size = 2 ** Math.ceil(Math.log2(2 * samples.length));
  let fft = transforms.get(size);
  if (!fft) transforms.set(size, (fft = new FFT(size)));
  const padded = new Array<number>(size).fill(0);
  for (let at = 0; at < samples.length; at++) padded[at] = samples[at]!;
  const spectrum = fft.createComplexArray() as number[];
  fft.realTransform(spectrum, padded);
  fft.completeSpectrum(spectrum);
  for (let at = 0; at < 2 * size; at += 2) {
    const [real, imaginary] = [spectrum[at]!, spectrum[at + 1]!];
    spectrum[at] = real * real + imaginary * imaginary;
    spectrum[at + 1] = 0;
  }
  const back = fft.createComplexArray() as number[];
  fft.inverseTransform(back, spectrum);
  return Float64Array.from({ length: samples.length }, (_, at) => back[2 * at]!);
}

/** The highest point of a parabola through three neighbours, as an offset from the middle one, and its height. */
function crest(before: number, middle: number, after: number): { offset: number; height: number } {
  const bend = before - 2 * middle + after;
  const offset = bend >= 0 ? 0 : Math.max(-1, Math.min(1, (0.5 * (before - after)) / bend));
  return { offset, height: middle - 0.25 * (before - after) * offset };
}

/**
 * The pitch of one string in a stretch of sound: the lag at which it repeats itself, by the normalised square difference
 * (McLeod and Wyvill 2005), then sharpened: the last multiple of the period inside the stretch is found as exactly as the first,
 * and divided by its number it is as many times more exact.
 * @param samples from −1 to 1
 * @param sampleRate samples a second
 * @returns null for silence, noise, or a pitch outside the range
 */
export function detectPitch(samples: Float32Array, sampleRate: number): PitchFound | null {
  const length = samples.length;
  const mean = samples.reduce((sum, each) => sum + each, 0) / Math.max(1, length);
  const level = Float32Array.from(samples, (each) => each - mean);
  const squares = new Float64Array(length + 1);
  for (let at = 0; at < length; at++) squares[at + 1] = squares[at]! + level[at]! * level[at]!;
  if (squares[length]! / Math.max(1, length) < QUIET * QUIET) return null;
  const least = Math.max(2, Math.floor(sampleRate / PITCH_RANGE_HZ.most));
  const most = Math.min(Math.floor(length * 0.75), Math.ceil(sampleRate / PITCH_RANGE_HZ.least));
  const products = autocorrelation(level);
  const values = new Float64Array(most + 2);
  for (let lag = 0; lag <= most + 1 && lag < length; lag++) {
    const power = squares[length - lag]! + (squares[length]! - squares[lag]!);
    values[lag] = power <= 0 ? 0 : (2 * products[lag]!) / power;
  }

  // Crests after the first crossing below zero.
  let lag = 1;
  while (lag <= most && values[lag]! > 0) lag++;
  const crests: { lag: number; height: number }[] = [];
  for (lag = Math.max(lag, least); lag <= most; lag++) {
    const [before, middle, after] = [values[lag - 1]!, values[lag]!, values[lag + 1]!];
    if (middle <= 0 || middle < before || middle <= after) continue;
    const { offset, height } = crest(before, middle, after);
    crests.push({ lag: lag + offset, height });
  }
  const highest = Math.max(0, ...crests.map(({ height }) => height));
  const first = crests.find(({ height }) => height >= NEARLY * highest);
  if (!first || highest < 0.5) return null;
  const period = sharpened(level, squares, first.lag);
  return { hz: sampleRate / period, clarity: Math.min(1, first.height) };
}

/** The period by farther and farther multiples of it; each tells where to look for one twice as far. */
function sharpened(level: Float32Array, squares: Float64Array, rough: number): number {
  let period = rough;
  const farthest = Math.floor((REACH * level.length) / rough);
  for (let times = 2; times <= farthest; times = Math.min(times * 2, Math.max(times + 1, farthest))) {
    const found = crestNear(level, squares, times * period);
    if (found === null) break;
    period = found / times;
    if (times === farthest) break;
  }
  return period;
}

/** The crest within a sample and a half of a lag, its place refined by a parabola; null where there is none. */
function crestNear(level: Float32Array, squares: Float64Array, lag: number): number | null {
  const middle = Math.round(lag);
  const around = [-2, -1, 0, 1, 2].map((by) => likeness(level, squares, middle + by));
  const at = around.indexOf(Math.max(...around.slice(1, 4)), 1);
  if (at < 1 || at > 3 || around[at]! < 0.5) return null;
  return middle + at - 2 + crest(around[at - 1]!, around[at]!, around[at + 1]!).offset;
}
