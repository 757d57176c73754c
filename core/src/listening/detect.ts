import FFT from 'fft.js';
import type { Hearing, PitchFound } from '../sound';
import { humIn, tellApart, without } from './hum';

/** Lowest and highest pitch looked for, Hz: below a bass's E1 tuned down, above a harp's G7. */
export const PITCH_RANGE_HZ = { least: 27, most: 4000 } as const;
/** Above this rate a sound is thinned out before it is looked at: more tells nothing of pitches up to 4 kHz. */
const RATE_ENOUGH = 50_000;
/** A peak counts when it is nearly as high as the highest: the first such is the period, later ones its multiples. */
const NEARLY = 0.93;
const QUIET = 1e-4;

const transforms = new Map<number, FFT>();

/** Sums of products of the sound with itself at every lag, by way of its spectrum. */
function autocorrelation(samples: Float64Array): Float64Array {
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
 * The pitch of one string in a stretch of sound. Roughly, the lag at which it repeats itself, by the normalised square
 * difference (McLeod and Wyvill 2005) once the mains' hum was taken out; then exactly, as the ground tone whose harmonics,
 * fitted together with the hum, leave least of the sound unexplained.
 * @param samples from −1 to 1, best as many as `windowSamples` says
 * @param sampleRate samples a second
 * @returns null for silence, noise, or a pitch outside the range; 'hum' where the mains drowns the string
 */
export function detectPitch(samples: Float32Array, sampleRate: number): Hearing {
  const { sound, rate } = thinned(levelled(samples), sampleRate, RATE_ENOUGH);
  const power = meanSquare(sound);
  if (power < QUIET * QUIET) return null;
  const low = thinned(sound, rate, LOW_RATE);
  const found = humIn(low.sound, low.rate);
  const heard = found.hz.length > 0 ? tellApart(sound, rate, found.hz) : null;
  // Multiples of the mains without the mains itself, and nothing louder beside them: a string that happens to sound there.
  const isString = heard !== null && !found.certain && heard.restPower < OUTWEIGHED * power;
  const [hum, told] = isString ? [[], null] : [found.hz, heard];
  const left = told ? told.restPower / power : 1;
  if (left < DROWNED) return 'hum';
  const rough = roughPitch(told ? without(sound, rate, hum, told) : sound, rate);
  if (!rough) return left < OUTWEIGHED ? 'hum' : null;
  const hz = exactPitch(sound, rate, notTooLow(sound, rate, rough.hz, hum), hum);
  return hz < PITCH_RANGE_HZ.least || hz > PITCH_RANGE_HZ.most ? null : { hz, clarity: rough.clarity };
}

/** Where less than this share of a sound is left without the hum, nothing in it is trusted; and where less than that, it is the hum that is told of. From memory. */
const DROWNED = 0.01;
const OUTWEIGHED = 0.5;
/** The hum is looked for in a thinned sound of about this rate. */
const LOW_RATE = 3000;

function levelled(samples: Float32Array): Float64Array {
  const mean = samples.reduce((sum, each) => sum + each, 0) / Math.max(1, samples.length);
  return Float64Array.from(samples, (each) => each - mean);
}

function meanSquare(sound: Float64Array): number {
  return sound.reduce((sum, each) => sum + each * each, 0) / Math.max(1, sound.length);
}

/** Half the length of the filter before thinning, in samples of the thinned sound. */
const FILTER_REACH = 8;

/** A sound with fewer samples a second: every so-many-th, after what would fold over was filtered out (windowed sinc). */
function thinned(sound: Float64Array, rate: number, wanted: number): { sound: Float64Array; rate: number } {
  const every = Math.max(1, Math.floor(rate / wanted));
  if (every === 1) return { sound, rate };
  const reach = FILTER_REACH * every;
  const filter = Float64Array.from({ length: 2 * reach + 1 }, (_, at) => {
    const from = (at - reach) / every;
    const sinc = from === 0 ? 1 : Math.sin(0.8 * Math.PI * from) / (0.8 * Math.PI * from);
    return (0.8 / every) * sinc * (0.5 + 0.5 * Math.cos((Math.PI * from) / FILTER_REACH));
  });
  const count = Math.max(0, Math.floor((sound.length - filter.length) / every) + 1);
  const thin = Float64Array.from({ length: count }, (_, at) => {
    let sum = 0;
    for (let by = 0; by < filter.length; by++) sum += filter[by]! * sound[at * every + by]!;
    return sum;
  });
  return { sound: thin, rate: rate / every };
}

/** The highest crest of each lobe above zero after the first crossing, by the normalised square difference. */
function crestsOf(sound: Float64Array, least: number, most: number): { lag: number; height: number }[] {
  const length = sound.length;
  const squares = new Float64Array(length + 1);
  for (let at = 0; at < length; at++) squares[at + 1] = squares[at]! + sound[at]! * sound[at]!;
  const products = autocorrelation(sound);
  const likeness = (lag: number) => {
    const power = squares[length - lag]! + (squares[length]! - squares[lag]!);
    return power <= 0 ? 0 : (2 * products[lag]!) / power;
  };
  const values = Float64Array.from({ length: Math.min(most + 2, length) }, (_, lag) => likeness(lag));
  const crests: { lag: number; height: number }[] = [];
  let lag = 1;
  while (lag < values.length && values[lag]! > 0) lag++;
  while (lag < values.length - 1) {
    while (lag < values.length - 1 && values[lag]! <= 0) lag++;
    let best = lag;
    for (; lag < values.length - 1 && values[lag]! > 0; lag++) if (values[lag]! > values[best]!) best = lag;
    if (best < Math.max(1, least) || best > most) continue;
    const { offset, height } = crest(values[best - 1]!, values[best]!, values[best + 1]!);
    crests.push({ lag: best + offset, height });
  }
  return crests;
}

/** The period to a few cents: the first lobe that is nearly as high as the highest. */
function roughPitch(sound: Float64Array, rate: number): PitchFound | null {
  const least = Math.max(2, Math.floor(rate / PITCH_RANGE_HZ.most));
  const most = Math.min(Math.floor(sound.length * 0.75), Math.ceil(rate / PITCH_RANGE_HZ.least));
  const crests = crestsOf(sound, least, most);
  const highest = Math.max(0, ...crests.map(({ height }) => height));
  const first = crests.find(({ height }) => height >= NEARLY * highest);
  if (!first || highest < 0.5) return null;
  return { hz: rate / first.lag, clarity: Math.min(1, first.height) };
}

/** Harmonics the exact pitch is told from: those that are strong, and hardly stretched by stiffness. */
const HARMONICS = 6;
/** Samples the fit looks at, at most. */
const FITTED_SAMPLES = 3000;

/** A pitch so many times as high counts, where its harmonics alone explain nearly as much: what was found is then a multiple of the period. */
const MULTIPLES = [3, 2] as const;
const NEARLY_AS_MUCH = 1.15;

/** The pitch, or a multiple of it whose harmonics are all there is: rests of noise and hum may repeat more slowly than the string. */
function notTooLow(sound: Float64Array, rate: number, rough: number, hum: readonly number[]): number {
  const thin = thinned(sound, rate, Math.min(rate, 2.6 * Math.max(HARMONICS * MULTIPLES[0] * rough, hum.at(-1) ?? 0)));
  const stretch = thin.sound.slice(-FITTED_SAMPLES);
  const unexplained = (hz: number) => unexplainedBy(stretch, thin.rate, hz, HARMONICS, hum);
  const bar = NEARLY_AS_MUCH * unexplained(rough);
  return rough * (MULTIPLES.find((times) => unexplained(times * rough) <= bar) ?? 1);
}

/** What is left of a stretch without the first harmonics of a ground tone and without the hum, as a mean square. */
function unexplainedBy(
  stretch: Float64Array,
  rate: number,
  hz: number,
  harmonics: number,
  hum: readonly number[],
): number {
  const tones = Array.from({ length: harmonics }, (_, at) => hz * (at + 1));
  return (
    tellApart(
      stretch,
      rate,
      [...tones, ...hum].filter((each) => each < 0.45 * rate),
    )?.restPower ?? Infinity
  );
}

/** The ground tone near a rough one whose harmonics, together with the hum, explain most; looked for more and more finely. */
function exactPitch(sound: Float64Array, rate: number, rough: number, hum: readonly number[]): number {
  const harmonics = Math.max(1, Math.min(HARMONICS, Math.floor((0.4 * rate) / rough)));
  const needed = 2.6 * Math.max(harmonics * rough, hum.at(-1) ?? 0);
  const thin = thinned(sound, rate, Math.min(rate, needed));
  const stretch = thin.sound.slice(-FITTED_SAMPLES);
  const seconds = stretch.length / thin.rate;
  let hz = rough;
  for (const [count, spacing] of [
    [Math.min(2, harmonics), 0.3],
    [harmonics, 0.3],
    [harmonics, 0.08],
  ] as const) {
    const step = spacing / (seconds * count);
    hz = lowestNear((at) => unexplainedBy(stretch, thin.rate, at, count, hum), hz, step);
  }
  return hz;
}

/** The lowest point of a curve near a place: of five in a row the lowest, then by the parabola through it. */
function lowestNear(curve: (at: number) => number, middle: number, step: number): number {
  const places = [-2, -1, 0, 1, 2].map((by) => middle + by * step);
  const heights = places.map(curve);
  const lowest = heights.indexOf(Math.min(...heights));
  if (lowest === 0 || lowest === 4) return places[lowest]!;
  const { offset } = crest(-heights[lowest - 1]!, -heights[lowest]!, -heights[lowest + 1]!);
  return places[lowest]! + offset * step;
}
