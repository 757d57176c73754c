/**
 * Causes that may hold at once, and signs they show: a noisy-or network of two layers. A cause that holds shows a sign by itself with a
 * chance; a sign that no cause shows is there with its leak. Numbers are chances, 0 to 1; causes and signs are told by their places.
 */
export interface Network {
  /** Chance of each cause before anything is seen. */
  priors: readonly number[];
  /** Chance of each sign where none of the causes holds. */
  leaks: readonly number[];
  /** By sign: the causes that show it, and with what chance each does by itself. */
  shown: readonly ReadonlyMap<number, number>[];
}

/** What was seen: signs that are there, and signs that were looked for and are not. Of the rest nothing is known. */
export interface Seen {
  present: readonly number[];
  absent: readonly number[];
}

/** Signs that are there which are weighed exactly; every one more doubles the work. */
export const MOST_PRESENT = 12;

/** What follows: how likely all that was seen is, and how likely each cause is by it. */
export interface Belief {
  /** Chance of what was seen. */
  evidence: number;
  /** Chance of each cause, given what was seen. */
  chances: readonly number[];
  /** Chance that none of the causes holds: it is something nobody has thought of. */
  none: number;
}

/** Chance that a cause that holds shows none of some signs. */
function silence(network: Network, cause: number, signs: readonly number[]): number {
  return signs.reduce((product, sign) => product * (1 - (network.shown[sign]!.get(cause) ?? 0)), 1);
}

/** Below such a chance of what was seen, inclusion and exclusion loses its figures to rounding: terms near 1 cancel to it. */
const ROUNDING = 1e-7;

/**
 * Chances of causes, exact, in a time that grows exponentially only with the signs that are there.
 * @throws RangeError for more than `MOST_PRESENT` signs that are there
 */
export function beliefIn(network: Network, seen: Seen): Belief {
  if (seen.present.length > MOST_PRESENT) throw new RangeError(`At most ${MOST_PRESENT} signs at once.`);
  const quick = byExclusion(network, seen);
  const belief = quick.evidence > ROUNDING ? quick : byExplaining(network, seen);
  const { priors, leaks } = network;
  const byItself =
    priors.reduce((product, prior) => product * (1 - prior), 1) *
    seen.present.reduce((product, sign) => product * leaks[sign]!, 1) *
    seen.absent.reduce((product, sign) => product * (1 - leaks[sign]!), 1);
  return { ...belief, none: belief.evidence > 0 ? Math.min(1, byItself / belief.evidence) : 1 };
}

/**
 * By Quickscore [Heckerman 1989, A tractable inference algorithm for diagnosing multiple diseases]: the chance that all of some signs
 * are there is by inclusion and exclusion that of their subsets being absent, and absence is a product over causes.
 */
function byExclusion(network: Network, { present, absent }: Seen): Omit<Belief, 'none'> {
  const { priors, leaks, shown } = network;
  const causes = priors.length;
  const silent = priors.map((_prior, cause) => silence(network, cause, absent));
  const quiet = absent.reduce((product, sign) => product * (1 - leaks[sign]!), 1);
  const joint = new Float64Array(causes);
  const held = new Float64Array(causes);
  let evidence = 0;
  for (let subset = 0; subset < 1 << present.length; subset++) {
    let product = quiet;
    for (let cause = 0; cause < causes; cause++) held[cause] = silent[cause]!;
    for (let at = 0; at < present.length; at++) {
      if (!(subset & (1 << at))) continue;
      product *= -(1 - leaks[present[at]!]!);
      for (const [cause, chance] of shown[present[at]!]!) held[cause]! *= 1 - chance;
    }
    for (let cause = 0; cause < causes; cause++) product *= 1 - priors[cause]! + priors[cause]! * held[cause]!;
    evidence += product;
    // The same with a cause taken to hold: its factor without the chance that it does not.
    for (let cause = 0; cause < causes; cause++) {
      const holds = priors[cause]! * held[cause]!;
      joint[cause]! += (product * holds) / (1 - priors[cause]! + holds);
    }
  }
  return { evidence, chances: Array.from(joint, (each) => Math.min(1, Math.max(0, each / evidence))) };
}

/**
 * By going through the causes one after another and keeping which of the signs are explained by then: slower, but a sum of what is not
 * negative, so that nothing is lost however unlikely what was seen is.
 */
function byExplaining(network: Network, seen: Seen): Omit<Belief, 'none'> {
  const evidence = explained(network, seen, null);
  const chances = network.priors.map((prior, cause) =>
    evidence > 0 ? Math.min(1, (prior * explained(network, seen, cause)) / evidence) : prior,
  );
  return { evidence, chances };
}

/** Chance of what was seen. @param held a cause that is taken to hold; null: none is */
function explained(network: Network, { present, absent }: Seen, held: number | null): number {
  const { priors, leaks, shown } = network;
  const size = 1 << present.length;
  let states = new Float64Array(size);
  states[0] = absent.reduce((product, sign) => product * (1 - leaks[sign]!), 1);
  present.forEach((sign, at) => show(states, at, leaks[sign]!));
  priors.forEach((prior, cause) => {
    const chance = cause === held ? 1 : prior;
    const with_ = states.map((each) => each * chance * silence(network, cause, absent));
    present.forEach((sign, at) => show(with_, at, shown[sign]!.get(cause) ?? 0));
    states = states.map((each, at) => each * (1 - chance) + with_[at]!);
  });
  return states[size - 1]!;
}

/** Has a sign be explained, with a chance, wherever it is not yet. */
function show(states: Float64Array, sign: number, chance: number): void {
  if (chance === 0) return;
  for (let at = 0; at < states.length; at++) {
    if (at & (1 << sign)) continue;
    states[at | (1 << sign)]! += states[at]! * chance;
    states[at]! *= 1 - chance;
  }
}
