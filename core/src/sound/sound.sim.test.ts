import fc from 'fast-check';
import { PitchDetector } from 'pitchy';
import { detectPitch, heardString, pluckedString, steadyCents, waveFile, WINDOW_SAMPLES } from '.';
import { openStrings } from '../strings';
import { FAMILIES, usualFacts } from '../instruments';
import { mulberry32 } from '../testing/dice';
import { centsBetween, equalHz } from '../pitch';

const RATE = 48_000;
const tone = (hz: number, more: Partial<Parameters<typeof pluckedString>[0]> = {}) =>
  pluckedString({ hz, sampleRate: RATE, seconds: 0.3, ...more });
const windowOf = (samples: Float32Array, from = 2000) => samples.slice(from, from + WINDOW_SAMPLES);

describe('the pitch of a string', () => {
  test('is found within a cent for every open string of the six families, E1 to G7', () => {
    const strings = [...FAMILIES.map((family) => usualFacts(family)), usualFacts('harp', 'pedal')].flatMap(openStrings);
    expect(Math.min(...strings.map(({ note }) => note))).toBe(24);
    expect(Math.max(...strings.map(({ note }) => note))).toBe(103);
    for (const { hz, note } of strings) {
      const found = detectPitch(windowOf(tone(hz)), RATE);
      // The lowest harp strings have under three periods in the stretch.
      const within = note < 28 ? 3 : 1;
      expect([note, Math.abs(centsBetween(found?.hz ?? 1, hz)) < within]).toEqual([note, true]);
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
          return Math.abs(centsBetween(detectPitch(samples, RATE)!.hz, hz)) < 3;
        },
      ),
      { numRuns: 60 },
    );
  });

  test('agrees with another library’s detector', () => {
    // Oracle: the pitchy package, an independent implementation of the same published method.
    const other = PitchDetector.forFloat32Array(WINDOW_SAMPLES);
    for (const note of [40, 45, 50, 55, 59, 64, 69, 76, 88]) {
      const samples = windowOf(tone(equalHz(note)));
      const [hz] = other.findPitch(samples, RATE);
      expect(Math.abs(centsBetween(detectPitch(samples, RATE)!.hz, hz))).toBeLessThan(6);
    }
  });

  test('is not claimed of silence, noise or a hum below the range', () => {
    const random = mulberry32(7);
    expect(detectPitch(new Float32Array(WINDOW_SAMPLES), RATE)).toBeNull();
    const noise = Float32Array.from({ length: WINDOW_SAMPLES }, () => random() - 0.5);
    expect(heardString(detectPitch(noise, RATE), [440], null)).toBeNull();
    expect(heardString(detectPitch(windowOf(tone(18)), RATE), [440], null)).toBeNull();
  });

  test('is not the octave below when the overtones are strong', () => {
    const samples = windowOf(tone(196, { overtones: 14 }));
    expect(Math.abs(centsBetween(detectPitch(samples, RATE)!.hz, 196))).toBeLessThan(1);
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
  const early = detectPitch(windowOf(samples, 0), RATE)!.hz;
  const late = detectPitch(windowOf(samples, samples.length - WINDOW_SAMPLES), RATE)!.hz;
  expect(centsBetween(late, early)).toBeLessThan(-26);
  expect(centsBetween(late, early)).toBeGreaterThan(-31);
  const file = waveFile(samples, RATE);
  expect(String.fromCharCode(...file.slice(0, 4))).toBe('RIFF');
  expect(file.length).toBe(44 + 2 * samples.length);
  expect(new DataView(file.buffer).getUint32(24, true)).toBe(RATE);
});
