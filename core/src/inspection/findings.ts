import { LOOK_DATA, type LookId } from '../instruments';
import type { Finding, InstrumentLog } from '../log';

type Looked = Pick<InstrumentLog, 'findings' | 'settlements' | 'fittings' | 'rehairs'>;

/** What a finding is about: one thing that is looked at, or one string of it. */
const subjectOf = ({ look, string }: Pick<Finding, 'look' | 'string'>) =>
  string === null ? look : `${look} ${string}`;

/** Whether it is gone with what it was found on: new strings, all at once or one after another; new hair. */
function renewed({ look, string, at }: Finding, { fittings, rehairs }: Looked, stringCount: number): boolean {
  if (look === 'strings') {
    const since = fittings.filter((fitting) => fitting.known && fitting.at >= at);
    const isNew = (position: number) => since.some(({ strings }) => strings === null || strings.includes(position));
    return string === null ? Array.from({ length: stringCount }, (_, each) => each).every(isNew) : isNew(string);
  }
  return look.startsWith('hair-') && rehairs.some((rehair) => rehair.known && rehair.at >= at);
}

/**
 * What was found and is not seen to, the last look at each thing only: a later good look closes it, settling it closes it with all
 * that was found of the same thing before, and so do new strings and new hair. All strings found good are each of them good.
 * Entries that arrive late never open what is settled.
 */
export function openFindings(log: Looked, stringCount: number): Finding[] {
  const settledUntil = new Map<string, number>();
  const byId = new Map(log.findings.map((finding) => [finding.eventId, finding]));
  for (const { findingId, at } of log.settlements) {
    const finding = byId.get(findingId);
    if (!finding) continue;
    const subject = subjectOf(finding);
    settledUntil.set(subject, Math.max(settledUntil.get(subject) ?? -Infinity, at, finding.at));
  }
  const last = new Map<string, Finding>();
  for (const finding of log.findings) {
    if (finding.verdict === 'good' && finding.string === null)
      for (const [subject, { look }] of last) if (look === finding.look) last.delete(subject);
    last.set(subjectOf(finding), finding);
  }
  return [...last.values()].filter(
    (finding) =>
      finding.verdict !== 'good' &&
      finding.at > (settledUntil.get(subjectOf(finding)) ?? -Infinity) &&
      !renewed(finding, log, stringCount),
  );
}

/** Those of the instrument itself, or those of a bow. @param log the bow's own, for those of a bow */
export const findingsOn = (part: 'instrument' | 'bow', log: Looked, stringCount: number): Finding[] =>
  openFindings(log, stringCount).filter(({ look }) => (LOOK_DATA[look].bow ?? false) === (part === 'bow'));

/** The worst first; of equal, the newest. */
export function byGravity(findings: readonly Finding[]): Finding[] {
  return [...findings].sort(
    (a, b) => Number(b.verdict === 'act') - Number(a.verdict === 'act') || dangers(b) - dangers(a) || b.at - a.at,
  );
}

/** Whether it must not be played on. */
export const isDanger = ({ look, verdict }: Pick<Finding, 'look' | 'verdict'>): boolean =>
  verdict === 'act' && LOOK_DATA[look].act.when === 'danger';
const dangers = (finding: Finding) => Number(isDanger(finding));

/** What the workshop is to see to: what asks for acting and is its business, and what a visit had better look at. */
export function forWorkshop(findings: readonly Finding[]): Finding[] {
  return findings.filter(({ look }) => LOOK_DATA[look].act.who === 'workshop');
}

/** Everything seen of one thing, in order of time. */
export function lineOf(log: Pick<InstrumentLog, 'findings'>, look: LookId): Finding[] {
  return log.findings.filter((finding) => finding.look === look);
}
