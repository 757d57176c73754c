import { writeFileSync } from 'node:fs';
import { pluckedString, waveFile } from '@tembrin/core';
import * as z from 'zod';

/**
 * Writes a simulated string as a sound file, plucked again every two seconds, to stand in for a microphone:
 * `string.ts <file> <hz> <seconds> <drift in cents>`.
 */
const SAMPLE_RATE = 48_000;
const EVERY_S = 2;
const [file, hz, seconds, drift] = z
  .tuple([z.string().min(1), z.coerce.number().min(20), z.coerce.number().min(EVERY_S), z.coerce.number()])
  .parse(process.argv.slice(2));

const plucks = Math.ceil(seconds / EVERY_S);
const samples = new Float32Array(plucks * EVERY_S * SAMPLE_RATE);
for (let at = 0; at < plucks; at++) {
  const fallen = (drift * at) / Math.max(1, plucks - 1);
  const pluck = { hz: hz * Math.pow(2, fallen / 1200), sampleRate: SAMPLE_RATE, seconds: EVERY_S };
  samples.set(pluckedString(pluck), at * EVERY_S * SAMPLE_RATE);
}
writeFileSync(file, waveFile(samples, SAMPLE_RATE));
