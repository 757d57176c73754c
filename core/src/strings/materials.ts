import type { Core, Winding } from '../instruments';

/** Densities in kg/m³ [handbook 4, from memory]; a synthetic core is a bundle of nylon-like filaments. */
export const CORE_DENSITY: Readonly<Record<Core, number>> = {
  steel: 7850,
  synthetic: 1140,
  gut: 1300,
  nylon: 1140,
  carbon: 1780,
};

/** Densities of windings in kg/m³: general tables of metals. */
export const WINDING_DENSITY: Readonly<Record<Exclude<Winding, 'plain'>, number>> = {
  steel: 7850,
  // Steel under a thin coat of nickel, as on most electric guitars [handbook 4]; pure nickel is another thing.
  'nickel-plated': 7900,
  nickel: 8900,
  bronze: 8800,
  copper: 8960,
  aluminium: 2700,
  silver: 10490,
  tungsten: 19250,
};

const MPA = 1e6;

/**
 * Stress at which a plain string breaks, Pa. Music wire grows stronger as it gets thinner.
 * Steel: 2211 MPa · d^−0.145, d in mm, the fit for music wire given in textbooks of machine design, from memory.
 * The others are from memory: single figures for what varies by make.
 */
export function breakingStress(core: Core, gaugeMm: number): number {
  switch (core) {
    case 'steel':
      return 2211 * Math.pow(gaugeMm, -0.145) * MPA;
    case 'gut':
      return 320 * MPA;
    case 'carbon':
      return 620 * MPA;
    case 'nylon':
    case 'synthetic':
      return 420 * MPA;
  }
}

/** Up to this share of its breaking stress a plain string is taken to be safe. From memory: strings live near it, and knots and bends weaken them. */
export const SAFE_SHARE = 0.85;

/** What the core of a wound string takes of its gauge: thick strings carry more winding. From memory, fitted to common guitar strings. */
export function coreShare(gaugeMm: number): number {
  return Math.min(0.6, Math.max(0.3, 0.555 - 0.125 * gaugeMm));
}
