import fc from 'fast-check';
import { PitchDetector } from 'pitchy';
import { detectPitch } from '.';
import { heardString, pluckedString, steadyCents, waveFile, windowSamples, type Hearing } from '../sound';
import { openStrings } from '../strings';
import { FAMILIES, kindsOf, usualFacts } from '../instruments';
import { mulberry32, normals } from '../testing/dice';
import { centsBetween, equalHz } from '../pitch';

const RATE = 48_000;
const WINDOW = windowSamples(RATE);
const hzOf = (heard: Hearing) => (heard && heard !== 'hum' ? heard.hz : NaN);
const tone = (hz: number, more: Partial<Parameters<typeof pluckedString>[0]> = {}) =>
  pluckedString({ hz, sampleRate: RATE, seconds: 0.6, ...more });
const windowOf = (samples: Float32Array, from = 2000) => samples.slice(from, from + WINDOW);

describe('the pitch of a string', () => {
  test('is found within a cent for every open string of the six families, E1 to G7', () => {
    const strings = [...FAMILIES.map((family) => usualFacts(family)), usualFacts('harp', 'pedal')].flatMap(openStrings);
    expect(Math.min(...strings.map(({ note }) => note))).toBe(24);
    expect(Math.max(...strings.map(({ note }) => note))).toBe(103);
    for (const { hz, note } of strings) {
      const found = detectPitch(windowOf(tone(hz)), RATE);
      expect([note, Math.abs(centsBetween(hzOf(found), hz)) < 1]).toEqual([note, true]);
    }
  });

  test('is found anywhere in the range, also with noise and few overtones', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 41, max: 3200, noNaN: true }),
        fc.integer({ min: 1, max: 10 }),
        fc.integer(),
        (hz, overtones, seed) => {
          const samples = windowOf(tone(hz, { overtones, noise: 0.01, random: mulberry32(seed) }));
          const heard = detectPitch(samples, RATE);
          // A tone on the mains itself cannot be told from it.
          const mains = [50, 60].some((each) => Math.abs(hz - each) < 0.5);
          return (mains && heard === 'hum') || Math.abs(centsBetween(hzOf(heard), hz)) < 3;
        },
      ),
      { numRuns: 60 },
    );
  });

  test('agrees with another library’s detector', () => {
    // Oracle: the pitchy package, an independent implementation of the same published method.
    const other = PitchDetector.forFloat32Array(WINDOW);
    for (const note of [40, 45, 50, 55, 59, 64, 69, 76, 88]) {
      const samples = windowOf(tone(equalHz(note)));
      const [hz] = other.findPitch(samples, RATE);
      expect(Math.abs(centsBetween(hzOf(detectPitch(samples, RATE)), hz))).toBeLessThan(6);
    }
  });

  test('is not claimed of silence, noise or a hum below the range', () => {
    const random = mulberry32(7);
    expect(detectPitch(new Float32Array(WINDOW), RATE)).toBeNull();
    const noise = Float32Array.from({ length: WINDOW }, () => random() - 0.5);
    expect(heardString(detectPitch(noise, RATE), [440], null)).toBeNull();
    expect(heardString(detectPitch(windowOf(tone(18)), RATE), [440], null)).toBeNull();
  });

  test('is not the octave below when the overtones are strong', () => {
    const samples = windowOf(tone(196, { overtones: 14 }));
    expect(Math.abs(centsBetween(hzOf(detectPitch(samples, RATE)), 196))).toBeLessThan(1);
  });
});

const { sqrt, cos, sin, PI } = Math;

/** Adds a sine to a sound, by the rotation from one sample to the next. */
function addSine(sound: Float32Array, turn: number, loud: number, start: number): void {
  const [stepCos, stepSin] = [cos(turn), sin(turn)];
  let [x, y] = [loud * cos(start), loud * sin(start)];
  for (let at = 0; at < sound.length; at++) {
    sound[at]! += y;
    const next = x * stepCos - y * stepSin;
    y = x * stepSin + y * stepCos;
    x = next;
  }
}

/** Sound of a string under the bow: harmonics that stay, each from a place of its own. */
function bowedString(hz: number, rate: number, count: number, uniform: () => number): Float32Array {
  const sound = new Float32Array(count);
  for (let harmonic = 1; harmonic <= 12 && harmonic * hz < 0.45 * rate; harmonic++)
    addSine(sound, (2 * PI * harmonic * hz) / rate, 1 / harmonic, 2 * PI * uniform());
  return sound;
}
const loudness = (sound: Float32Array) => sqrt(sound.reduce((sum, each) => sum + each * each, 0) / sound.length);

/** White noise, drawn once; each sound takes it from another place. */
const NOISE = (() => {
  const normal = normals(mulberry32(77));
  return Float32Array.from({ length: 200_000 }, normal);
})();

/** The same in a room: noise 20 dB below it, and the mains' hum and its multiples 10 dB below. */
function inARoom(sound: Float32Array, rate: number, mains: number, uniform: () => number): Float32Array {
  const level = loudness(sound);
  const hum = new Float32Array(sound.length);
  [1, 0.5, 0.3].forEach((loud, at) => addSine(hum, (2 * PI * mains * (at + 1)) / rate, loud, 2 * PI * uniform()));
  const humLevel = loudness(hum);
  const from = Math.floor(uniform() * (NOISE.length - sound.length));
  return sound.map((each, at) => 0.2 * (each / level + 0.1 * NOISE[from + at]! + (0.316 * hum[at]!) / humLevel));
}

describe('the pitch of a string in a room with noise and the mains', () => {
  const strings = new Map(
    FAMILIES.flatMap((family) =>
      (kindsOf(family).length > 0 ? kindsOf(family) : [null]).map((kind) => usualFacts(family, kind)),
    )
      .flatMap(openStrings)
      .map(({ note, hz }) => [note, hz] as const),
  );
  const cases = [44_100, 48_000, 96_000, 192_000].flatMap((rate) =>
    (['bowed', 'plucked'] as const).map((way) => [rate, way] as const),
  );
  test.each(cases)(
    'at %d samples a second, %s: within two cents, no octave wrong, or the hum is told of',
    (rate, way) => {
      const uniform = mulberry32(rate);
      const offs: number[] = [];
      let drowned = 0;
      let at = 0;
      for (const [, hz] of strings) {
        const count = windowSamples(rate);
        const sound =
          way === 'bowed'
            ? bowedString(hz, rate, count, uniform)
            : pluckedString({ hz, sampleRate: rate, seconds: count / rate + 0.05 }).slice(-count);
        const heard = detectPitch(inARoom(sound, rate, at++ % 2 ? 50 : 60, uniform), rate);
        if (heard === 'hum') drowned++;
        else offs.push(Math.abs(centsBetween(hzOf(heard), hz)));
      }
      offs.sort((a, b) => a - b);
      expect(drowned).toBeLessThan(3);
      expect(offs[Math.floor(0.95 * offs.length)]).toBeLessThan(2);
      expect(offs.at(-1)).toBeLessThan(50);
    },
  );

  test('a string that sounds on a multiple of the mains is a string', () => {
    for (const hz of [100, 119.9, 120, 150, 200, 250, 300, 480])
      for (const overtones of [1, 2, 8]) {
        const found = hzOf(detectPitch(windowOf(tone(hz, { overtones })), RATE));
        expect([hz, overtones, Math.abs(centsBetween(found, hz)) < 2]).toEqual([hz, overtones, true]);
      }
  });

  test('where the mains is all there is, that is said', () => {
    const uniform = mulberry32(2);
    const hum = Float32Array.from(
      { length: WINDOW },
      (_, at) =>
        0.3 * sin((2 * PI * 50 * at) / RATE) + 0.1 * sin((2 * PI * 150 * at) / RATE) + 0.002 * (uniform() - 0.5),
    );
    expect(detectPitch(hum, RATE)).toBe('hum');
    expect(heardString('hum', [49], null)).toBeNull();
  });
});

describe('which string is heard', () => {
  const hz = openStrings(usualFacts('violin')).map((string) => string.hz);
  test('is the nearest, with its distance in cents against this instrument’s own fifths', () => {
    const found = { hz: hz[2]! * Math.pow(2, -15 / 1200), clarity: 0.99 };
    expect(heardString(found, hz, null)).toMatchObject({ position: 2 });
    expect(heardString(found, hz, null)!.cents).toBeCloseTo(-15, 6);
    expect(heardString({ ...found, clarity: 0.5 }, hz, null)).toBeNull();
  });
  test('a chosen string is listened for however far it has fallen', () => {
    expect(heardString({ hz: hz[3]! / 2, clarity: 1 }, hz, 3)!.cents).toBeCloseTo(-1200, 6);
    expect(heardString({ hz: 50, clarity: 1 }, hz, null)).toBeNull();
  });
  test('is steady once the last findings agree', () => {
    const heard = (cents: number, position = 1) => ({ position, cents, hz: 100 });
    expect(steadyCents([heard(-4), heard(-5), heard(-6), heard(-5)])).toBeNull();
    expect(steadyCents([heard(-40), heard(-4), heard(-5), heard(-6), heard(-5), heard(-5)])).toBe(-5);
    expect(steadyCents([heard(1), heard(1), heard(1), heard(1), heard(1, 2)])).toBeNull();
    expect(steadyCents([heard(1), heard(30), heard(1), heard(1), heard(1)])).toBeNull();
  });
});

test('a simulated string drifts as asked and is written as a sound file', () => {
  const samples = tone(220, { seconds: 2, driftCents: -30 });
  const early = hzOf(detectPitch(windowOf(samples, 0), RATE));
  const late = hzOf(detectPitch(windowOf(samples, samples.length - WINDOW), RATE));
  expect(centsBetween(late, early)).toBeLessThan(-24);
  expect(centsBetween(late, early)).toBeGreaterThan(-26);
  const file = waveFile(samples, RATE);
  expect(String.fromCharCode(...file.slice(0, 4))).toBe('RIFF');
  expect(file.length).toBe(44 + 2 * samples.length);
  expect(new DataView(file.buffer).getUint32(24, true)).toBe(RATE);
});
