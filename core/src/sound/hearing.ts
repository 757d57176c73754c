import { median } from 'simple-statistics';
import { centsBetween } from '../pitch';

/** A pitch found in a stretch of sound. */
export interface PitchFound {
  hz: number;
  /** How periodic the sound is, 0 to 1: below about 0.9 it is noise or several strings. */
  clarity: number;
}

/** What a stretch of sound tells: a pitch, that the mains' hum drowns whatever else there is, or nothing. */
export type Hearing = PitchFound | 'hum' | null;

/** Length of a stretch, seconds: ten periods of the lowest harp string, and long enough to tell it from the mains. */
const STRETCH_S = 0.34;
/** Most samples looked at. */
const MOST_SAMPLES = 65_536;

/**
 * Samples a stretch should have at a sample rate: the power of two nearest to a third of a second.
 * @example windowSamples(48_000) // 16384
 */
export function windowSamples(sampleRate: number): number {
  return Math.min(MOST_SAMPLES, 2 ** Math.round(Math.log2(STRETCH_S * sampleRate)));
}

/** Which string is being played, and how far it is off. */
export interface Heard {
  position: number;
  cents: number;
  hz: number;
}

/**
 * Beats heard where two strings sound together, a second: the difference of their frequencies [any acoustics handbook].
 * @param oneHz @param otherHz above 0, Hz
 */
export const beatsBetween = (oneHz: number, otherHz: number): number => Math.abs(oneHz - otherHz);

/** A sound must be so periodic to count as a string. */
export const CLEAR_ENOUGH = 0.9;
/** Farther from every string than this, it is none of them, cents. */
const FARTHEST_CENTS = 350;

/**
 * The open string a pitch belongs to: the nearest, unless one was chosen.
 * @param hz what each string should sound, lowest first
 * @param chosen position listened for; null: whichever is nearest
 */
export function heardString(found: Hearing, hz: readonly number[], chosen: number | null): Heard | null {
  if (!found || found === 'hum' || found.clarity < CLEAR_ENOUGH) return null;
  const offs = hz.map((target) => centsBetween(found.hz, target));
  const nearest = chosen ?? offs.reduce((best, each, at) => (Math.abs(each) < Math.abs(offs[best]!) ? at : best), 0);
  const cents = offs[nearest];
  if (cents === undefined || (chosen === null && Math.abs(cents) > FARTHEST_CENTS)) return null;
  return { position: nearest, cents, hz: found.hz };
}

/** The steady value of the last findings: their median, once enough of them agree; null until then. */
export function steadyCents(recent: readonly Heard[], needed = 5, within = 12): number | null {
  const last = recent.slice(-needed);
  if (last.length < needed || last.some(({ position }) => position !== last[0]!.position)) return null;
  const cents = last.map((heard) => heard.cents);
  return Math.max(...cents) - Math.min(...cents) > within ? null : median(cents);
}
