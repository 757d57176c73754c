import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** Sines told apart in a stretch of sound, all at once. */
export interface Told {
  /** How much of each frequency there is: of its cosine and of its sine. */
  loud: readonly (readonly [cosine: number, sine: number])[];
  /** Mean square of what is left of the stretch without them. */
  restPower: number;
}

/** Keeps frequencies that lie too close for the stretch from blowing each other up; as a share of the stretch's length. */
const RIDGE = 1e-4;

/**
 * The sines of given frequencies that fit a stretch best, all together [published: least squares, any textbook of statistics];
 * so that a string's and the mains' do not take each other's share, however close they lie.
 * @param samples the stretch
 * @param hz frequencies, all below half the sample rate
 * @returns null where they cannot be told apart
 */
export function tellApart(samples: Float64Array, sampleRate: number, hz: readonly number[]): Told | null {
  const count = samples.length;
  const turns = hz.map((each) => (2 * Math.PI * each) / sampleRate);
  const width = 2 * turns.length;
  const products = Matrix.zeros(width, width);
  turns.forEach((a, row) =>
    turns.forEach((b, column) => {
      const [apart, together] = [rowOfTurns(a - b, count), rowOfTurns(a + b, count)];
      products.set(2 * row, 2 * column, (apart.cosines + together.cosines) / 2);
      products.set(2 * row + 1, 2 * column + 1, (apart.cosines - together.cosines) / 2);
      products.set(2 * row, 2 * column + 1, (together.sines - apart.sines) / 2);
      products.set(2 * row + 1, 2 * column, (together.sines + apart.sines) / 2);
    }),
  );
  for (let at = 0; at < width; at++) products.set(at, at, products.get(at, at) + RIDGE * count);
  const right = turns.flatMap((each) => correlated(samples, each));
  const solved = new CholeskyDecomposition(products);
  if (!solved.isPositiveDefinite()) return null;
  const found = solved.solve(Matrix.columnVector(right)).to1DArray();
  const power = samples.reduce((sum, each) => sum + each * each, 0);
  const told = found.reduce((sum, each, at) => sum + each * right[at]! + RIDGE * count * each * each, 0);
  return {
    loud: turns.map((_each, at) => [found[2 * at]!, found[2 * at + 1]!] as const),
    restPower: Math.max(0, power - told) / Math.max(1, count),
  };
}

/** Sums of the cosines and the sines of 0, θ, 2θ … (count − 1) θ, in closed form. */
function rowOfTurns(theta: number, count: number): { cosines: number; sines: number } {
  const half = Math.sin(theta / 2);
  if (Math.abs(half) < 1e-12) return { cosines: count, sines: 0 };
  const length = Math.sin((count * theta) / 2) / half;
  const middle = ((count - 1) * theta) / 2;
  return { cosines: length * Math.cos(middle), sines: length * Math.sin(middle) };
}

/** Sums of a stretch times the cosine and times the sine of so many radians a sample, by the rotation from one to the next. */
function correlated(samples: Float64Array, turn: number): [number, number] {
  const [stepCos, stepSin] = [Math.cos(turn), Math.sin(turn)];
  let [x, y, cosine, sine] = [1, 0, 0, 0];
  for (let at = 0; at < samples.length; at++) {
    const sample = samples[at]!;
    cosine += sample * x;
    sine += sample * y;
    const next = x * stepCos - y * stepSin;
    y = x * stepSin + y * stepCos;
    x = next;
  }
  return [cosine, sine];
}

/** A stretch without the sines told apart in it. */
export function without(
  samples: Float64Array,
  sampleRate: number,
  hz: readonly number[],
  { loud }: Told,
): Float64Array {
  const rest = Float64Array.from(samples);
  hz.forEach((each, of) => {
    const turn = (2 * Math.PI * each) / sampleRate;
    const [stepCos, stepSin] = [Math.cos(turn), Math.sin(turn)];
    const [cosine, sine] = loud[of]!;
    let [x, y] = [1, 0];
    for (let at = 0; at < rest.length; at++) {
      rest[at]! -= cosine * x + sine * y;
      const next = x * stepCos - y * stepSin;
      y = x * stepSin + y * stepCos;
      x = next;
    }
  });
  return rest;
}

/** Frequencies of the mains, Hz. */
export const MAINS_HZ = [50, 60] as const;
/** Multiples of the mains that are listened for, up to this frequency. */
const MOST_HUM_HZ = 650;
/** A multiple stands out where it is so many times as loud as its surroundings. From memory. */
const STANDS_OUT = 5;

/**
 * The mains' hum in a stretch of sound: its multiples that stand out where they must be, to the tenth of a hertz or so;
 * none where no mains is heard. A string moves and fades; the mains stands still.
 * @returns its multiples, Hz, and whether the mains’ own frequency is among those that stand out: without it, a string may pass for it
 */
export function humIn(samples: Float64Array, sampleRate: number): { hz: number[]; certain: boolean } {
  const count = samples.length;
  const seconds = count / sampleRate;
  // A Hann window: a loud string far off does not spill over.
  const weighed = Float64Array.from(samples, (each, at) => each * (0.5 - 0.5 * Math.cos((2 * Math.PI * at) / count)));
  const found = MAINS_HZ.map((mains) => {
    const all = Array.from({ length: Math.floor(MOST_HUM_HZ / mains) }, (_each, at) => (at + 1) * mains);
    return all.filter((hz) => {
      const here = loudnessAt(weighed, sampleRate, hz);
      // Where the stretch tells two tones apart: a string that is louder there is no hum.
      const beside = [-1, 1].map((side) => loudnessAt(weighed, sampleRate, hz + (side * 0.6) / seconds));
      const around = [-1, 1].map((side) => loudnessAt(weighed, sampleRate, hz + (side * 4) / seconds));
      return here > Math.max(...beside) && here > STANDS_OUT * Math.min(...around);
    });
  });
  const loudest = found.reduce((a, b) => (b.length > a.length ? b : a), []);
  // A multiple that a string covers is there all the same.
  const [mains, last] = [MAINS_HZ.find((each) => loudest.length > 0 && loudest[0]! % each === 0), loudest.at(-1)];
  if (mains === undefined || last === undefined) return { hz: [], certain: false };
  const hz = Array.from({ length: Math.round(last / mains) }, (_each, at) => (at + 1) * mains);
  return { hz, certain: loudest[0] === mains };
}

/** How loud a stretch that was weighed at its ends is at one frequency. */
function loudnessAt(weighed: Float64Array, sampleRate: number, hz: number): number {
  return Math.hypot(...correlated(weighed, (2 * Math.PI * hz) / sampleRate));
}
