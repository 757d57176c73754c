import type { Advice, HairVerdict } from '@tembrin/core/inspection';
import { LOOK_DATA, type Verdict } from '@tembrin/core/instruments';
import type { Doer, Extent, Finding, Looker } from '@tembrin/core/log';
import type { LookGuide } from '@tembrin/core/looks';
import { humidityWords } from './measures';

/** What pages of the look-over say of looks; told apart from copy/findings.ts, as only they load it. */

export const LOOKER_NAMES: Readonly<Record<Looker, string>> = {
  child: 'A child',
  player: 'The player',
  teacher: 'A teacher',
};

export const EXTENT_NAMES: Readonly<Record<Extent, string>> = { quick: 'Quick', full: 'All of it', bow: 'The bow' };

const DOERS: Readonly<Record<Doer, string>> = { self: 'Yourself', teacher: 'A teacher', workshop: 'A luthier' };
const WHEN: Readonly<Record<Exclude<Advice['when'], 'again'>, string>> = {
  danger: 'now; do not play until then',
  soon: 'soon',
  visit: 'when it suits',
};

/** Whose business it is, and how soon: "A luthier, soon." */
export function whoWords({ who, when, airFirst }: Advice): string {
  if (airFirst) return 'The air first; then look again.';
  if (when === 'again') return 'Look again.';
  if (who === 'workshop' && when === 'visit') return 'A luthier, with the next visit.';
  return `${DOERS[who]}, ${WHEN[when]}.`;
}

/** Why the air comes first; empty where it does not. */
function airFirstWords({ airFirst }: Advice): string {
  if (!airFirst) return '';
  const at = humidityWords(airFirst.restRh);
  return airFirst.side === 'dry'
    ? `The wood is at rest at ${at}: too dry. Humidify for days first.`
    : `The wood is at rest at ${at}: too damp. Dry it slowly first.`;
}

/** What to do about a finding, the air first where it explains it. */
export function todoWords(finding: Pick<Finding, 'verdict'>, advice: Advice, guide: LookGuide | undefined): string {
  const todo = guide && finding.verdict !== 'good' ? guide.do[finding.verdict] : '';
  return [airFirstWords(advice), todo].filter((part) => part !== '').join(' ');
}

/** How the answers of a look read: what it looks like. */
export const signWords = (guide: LookGuide, verdict: Verdict): string => guide.signs[verdict];

export const HAIR_VERDICTS: Readonly<Record<HairVerdict, string>> = {
  well: 'The hair is well.',
  watch: 'Watch the hair.',
  rehair: 'Rehair.',
  'rehair-or-bow': 'Rehair, or another bow.',
};

/** What is looked at in a round: "Bridge, upright; Strings; Hair band". */
export const looksWords = (looks: readonly (keyof typeof LOOK_DATA)[]): string =>
  looks.map((look) => LOOK_DATA[look].title).join('; ');
