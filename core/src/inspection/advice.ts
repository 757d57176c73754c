import type { AirVerdict } from '../air';
import { LOOK_DATA } from '../instruments';
import type { Doer, Finding } from '../log';
import { isDanger } from './findings';

/** What follows from something that was found. */
export interface Advice {
  /** Whose business it is. */
  who: Doer;
  /** danger: do not play, slacken; soon: within days; visit: with the next one; again: look again. */
  when: 'danger' | 'soon' | 'visit' | 'again';
  /** The air explains it and comes first: too dry or too damp, with the humidity in which the wood is at rest, fraction. */
  airFirst: { side: 'dry' | 'damp'; restRh: number } | null;
}

/**
 * What follows from a finding in the air its wood has. Where the air explains it, the air is put right first, unless there is
 * danger: sharp fret ends in dry wood are not filed [handbook 9].
 * @param air null where nobody knows it
 */
export function adviceOn(
  finding: Pick<Finding, 'look' | 'verdict'>,
  air: { verdict: Pick<AirVerdict, 'side' | 'body' | 'state'> } | null,
): Advice {
  const { act, air: explains = [] } = LOOK_DATA[finding.look];
  const verdict = air?.verdict;
  const out = verdict && (verdict.state === 'act' || verdict.state === 'watch') ? verdict.side : null;
  const airFirst =
    out && verdict?.body && explains.includes(out) && !isDanger(finding)
      ? { side: out, restRh: verdict.body.restRh }
      : null;
  const when = finding.verdict === 'watch' ? 'again' : act.when;
  // Who looks again is the one who looked; the workshop comes in once something is to be done.
  const who = when === 'again' || airFirst ? 'self' : act.who;
  return { who, when, airFirst };
}
