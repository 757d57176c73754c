import { breakingStress, CORE_DENSITY, coreShare, SAFE_SHARE, WINDING_DENSITY } from './materials';
import type { StringSpec } from '../instruments/string-spec';

/**
 * Mersenne's law: what a string pulls. T = μ (2 L f)². Published: any acoustics handbook.
 * @param density linear density, kg/m
 * @param length vibrating length, m
 * @param hz frequency
 * @returns N
 * @example tensionN(0.00035, 0.328, 659.26) // 65.46
 */
export function tensionN(density: number, length: number, hz: number): number {
  return density * Math.pow(2 * length * hz, 2);
}

/**
 * Mersenne's law turned round: linear density from a tension stated at a length and pitch. @returns kg/m
 * @example densityFrom(65.5, 0.328, 659.26) // 0.0003502
 */
export function densityFrom(tension: number, length: number, hz: number): number {
  return tension / Math.pow(2 * length * hz, 2);
}

/**
 * Linear density of a plain round string, kg/m: μ = π/4 · d² · ρ. @param diameter m @param material kg/m³
 * @example plainDensity(0.00026, 7850) // 0.0004168
 */
export function plainDensity(diameter: number, material: number): number {
  return (Math.PI / 4) * diameter * diameter * material;
}

/**
 * Linear density of a string wound with round wire in one close layer, kg/m.
 * Derived: the wire has w = (D − c)/2; each turn advances w and is π(c + w) long, so a metre holds π(c + w)/w of wire of
 * section π/4·w², which is π²/4 · w · (c + w) · ρ.
 * @param outer outer diameter D, m
 * @param core diameter of the core c, m
 */
export function woundDensity(outer: number, core: number, coreMaterial: number, windingMaterial: number): number {
  const wire = (outer - core) / 2;
  return plainDensity(core, coreMaterial) + (Math.PI ** 2 / 4) * wire * (core + wire) * windingMaterial;
}

/** How a linear density is known: from the packet, from the gauge of a plain string, or estimated from that of a wound one. */
export type DensityBasis = 'packet' | 'gauge' | 'estimate';

/** How far an estimate from the gauge of a wound string may be off: cores differ from make to make. From memory. */
export const ESTIMATE_SPREAD = 0.1;

/**
 * Linear density of a string, by the best that is known of it.
 * @returns kg/m, or null where the packet gives neither density, tension nor gauge
 */
export function densityOf(spec: StringSpec): { density: number; basis: DensityBasis } | null {
  if (spec.densityGPerM !== null) return { density: spec.densityGPerM / 1000, basis: 'packet' };
  if (spec.stated) {
    const { tensionN, lengthMm, hz } = spec.stated;
    return { density: densityFrom(tensionN, lengthMm / 1000, hz), basis: 'packet' };
  }
  if (spec.gaugeMm === null) return null;
  const outer = spec.gaugeMm / 1000;
  if (spec.winding === 'plain') return { density: plainDensity(outer, CORE_DENSITY[spec.core]), basis: 'gauge' };
  const core = outer * coreShare(spec.gaugeMm);
  const density = woundDensity(outer, core, CORE_DENSITY[spec.core], WINDING_DENSITY[spec.winding]);
  return { density, basis: 'estimate' };
}

/** A plain string's nearness to breaking at a pitch. */
export interface Strength {
  /** Stress as a share of the stress at which it breaks; from 1 on it breaks. */
  share: number;
  /** Semitones from this pitch to where it breaks, and to the end of what is safe; negative when past it. */
  toBreaking: number;
  safeAbove: number;
}

/**
 * How close a plain string is to breaking. Stress is σ = ρ (2 L f)²: there is no diameter in it, but thin music wire is the stronger.
 * @param lengthMm vibrating length
 * @returns null for wound strings and where the gauge is not known
 */
export function strengthOf(spec: StringSpec, lengthMm: number, hz: number): Strength | null {
  if (spec.winding !== 'plain' || spec.gaugeMm === null) return null;
  const stress = CORE_DENSITY[spec.core] * Math.pow((2 * lengthMm * hz) / 1000, 2);
  const share = stress / breakingStress(spec.core, spec.gaugeMm);
  // Stress goes with the square of the pitch.
  const semitonesTo = (limit: number) => 6 * Math.log2(limit / share);
  return { share, toBreaking: semitonesTo(1), safeAbove: semitonesTo(SAFE_SHARE) };
}

/** What one string pulls. */
export interface Pull {
  /** null where too little is known of the string. */
  tensionN: number | null;
  basis: DensityBasis | null;
  strength: Strength | null;
}

/** What a string pulls at a length and pitch. @param spec null where nobody said what is on */
export function pullOf(spec: StringSpec | null, lengthMm: number, hz: number): Pull {
  const known = spec && densityOf(spec);
  return {
    tensionN: known ? tensionN(known.density, lengthMm / 1000, hz) : null,
    basis: known?.basis ?? null,
    strength: spec ? strengthOf(spec, lengthMm, hz) : null,
  };
}

/** What a whole instrument's strings pull. */
export interface SetPull {
  /** Lowest string first. */
  pulls: Pull[];
  /** Sum over the strings that are known, N. */
  totalN: number;
  /** Strings of which too little is known. */
  unknown: number;
  /** Each known string's share of the total. */
  shares: (number | null)[];
  /** The strongest pull over the weakest; null with fewer than two known. */
  balance: number | null;
}

/**
 * Adds up what an instrument's strings pull.
 * @param strings per string, lowest first: what is on, its length and its pitch
 */
export function setPull(strings: readonly { spec: StringSpec | null; lengthMm: number; hz: number }[]): SetPull {
  const pulls = strings.map(({ spec, lengthMm, hz }) => pullOf(spec, lengthMm, hz));
  const known = pulls.flatMap(({ tensionN }) => tensionN ?? []);
  const totalN = known.reduce((sum, each) => sum + each, 0);
  return {
    pulls,
    totalN,
    unknown: pulls.length - known.length,
    shares: pulls.map(({ tensionN }) => (tensionN === null || totalN === 0 ? null : tensionN / totalN)),
    balance: known.length < 2 ? null : Math.max(...known) / Math.min(...known),
  };
}
