const sine = Math.sin;

/** How a simulated string sounds. */
export interface PluckOptions {
  hz: number;
  sampleRate: number;
  seconds: number;
  /** By how many cents its pitch moves from beginning to end. */
  driftCents?: number;
  /** Overtones, each of amplitude 1/n. */
  overtones?: number;
  /** How stiff it is: overtone n stands at n·√(1 + B·n²) times the ground tone. */
  stiffness?: number;
  /** Half-life of the ground tone, seconds; higher ones die away sooner. */
  halfLife?: number;
  /** Noise beside it, as a share of its amplitude, from a seeded source. */
  noise?: number;
  random?: () => number;
}

/**
 * A plucked string as samples, to practise with and to test against: overtones that die away, the higher the sooner.
 * @returns samples from −1 to 1
 */
export function pluckedString({
  hz,
  sampleRate,
  seconds,
  driftCents = 0,
  overtones = 8,
  stiffness = 0,
  halfLife = 1.5,
  noise = 0,
  random = () => 0.5,
}: PluckOptions): Float32Array {
  const count = Math.round(seconds * sampleRate);
  const samples = new Float32Array(count);
  const ratio = Math.pow(2, driftCents / 1200 / Math.max(1, count));
  let weight = 0;
  for (let n = 1; n <= overtones; n++) {
    const place = n * Math.sqrt(1 + stiffness * n * n);
    if (place * hz > 0.45 * sampleRate) break;
    weight += 1 / n;
    const fade = Math.pow(0.5, n / (halfLife * sampleRate));
    let phase = 0.3 * n;
    let step = (2 * Math.PI * place * hz) / sampleRate;
    let loud = 1 / n;
    for (let at = 0; at < count; at++) {
      samples[at]! += loud * sine(phase);
      phase += step;
      step *= ratio;
      loud *= fade;
    }
  }
  for (let at = 0; at < count; at++)
    samples[at] = (0.9 * (samples[at]! + noise * (2 * random() - 1))) / (weight + noise);
  return samples;
}

/**
 * Samples as a sound file: RIFF/WAVE, one channel, 16 bit. Published: the WAVE format of 1991.
 * @param samples from −1 to 1
 */
export function waveFile(samples: Float32Array, sampleRate: number): Uint8Array {
  const bytes = new Uint8Array(44 + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const text = (at: number, letters: string) =>
    [...letters].forEach((letter, by) => view.setUint8(at + by, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, 36 + 2 * samples.length, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, sampleRate, true);
  view.setUint32(28, 2 * sampleRate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((sample, at) =>
    view.setInt16(44 + 2 * at, Math.round(32767 * Math.max(-1, Math.min(1, sample))), true),
  );
  return bytes;
}
