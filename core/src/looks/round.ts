import type { Assessment } from '../assess';
import { openFindings, type Cause } from '../inspection';
import { applies, LOOK_DATA, LOOKS, type InstrumentFacts, type LookId } from '../instruments';
import type { Extent, Finding, InstrumentLog, Looker, LookOver } from '../log';
import type { Schools } from '../schools';
import { HOUR_MS, MINUTE_MS } from '../time';
import type { LookGuide } from './guide';
import { LOOK_GUIDES } from './guides';

/** One thing to look at in a round. */
export interface LookStep {
  look: LookId;
  guide: LookGuide;
  /** The reason that puts it into a quick round, where there is one. */
  cause: Cause | null;
}

/** What a round of looks is composed for. */
export interface LookQuestion {
  facts: InstrumentFacts;
  schools: Schools;
  extent: Extent;
  by: Looker;
  /** Reasons there are to look, the most pressing first. */
  causes: readonly Cause[];
  /** Things that something was found on and that is still open: they are looked at again. */
  open: readonly LookId[];
}

const SKILL: Readonly<Record<Looker, number>> = { child: 0, player: 1, teacher: 2 };
/** Looks of a quick round. */
const QUICK = 3;
/** What is still open is looked at before all that has no cause. */
const OPEN_TELLS = 3;

/** Whether somebody may look at it: what could do harm, or takes a trained eye, is left to others. */
export const mayLook = ({ from }: Pick<LookGuide, 'from'>, by: Looker): boolean => SKILL[by] >= SKILL[from];

/** The wording of each look that is for this instrument, in the order of the round; whoever looks. */
export function guidesFor(facts: InstrumentFacts, schools: Schools): LookGuide[] {
  return LOOK_GUIDES.filter(
    (guide) => applies(LOOK_DATA[guide.look].for, facts, schools) && applies(guide.for, facts, schools),
  );
}

/** How much a look tells, and the cause that makes it tell most. */
function worth({ tells, causes, look }: LookGuide, { causes: given, open }: LookQuestion) {
  const best = given.reduce<{ cause: Cause | null; more: number }>(
    (most, cause) => ((causes?.[cause] ?? 0) > most.more ? { cause, more: causes![cause]! } : most),
    { cause: null, more: 0 },
  );
  return { value: tells + 2 * best.more + (open.includes(look) ? OPEN_TELLS : 0), cause: best.cause };
}

/**
 * The looks of a round for this instrument and who looks, in the order of the trade [handbook 9]. A quick one takes the three
 * that tell most for the reason there is, each at another place of the instrument as far as there are such.
 */
export function lookRound(question: LookQuestion): LookStep[] {
  const { facts, schools, extent, by } = question;
  const all = guidesFor(facts, schools).filter((guide) => mayLook(guide, by));
  const weighed = all.map((guide) => ({ guide, look: guide.look, ...worth(guide, question) }));
  const ofBow = weighed.filter(({ look }) => LOOK_DATA[look].bow);
  const chosen = { full: weighed, bow: ofBow, quick: mostTelling(weighed) }[extent];
  return LOOKS.flatMap((look) => chosen.filter((each) => each.look === look)).map(({ guide, look, cause }) => ({
    look,
    guide,
    cause,
  }));
}

/** Three, of different places first. */
function mostTelling<T extends { look: LookId; value: number }>(weighed: readonly T[]): T[] {
  const ranked = [...weighed].sort((a, b) => b.value - a.value);
  const chosen: T[] = [];
  const zones = new Set<string>();
  for (const each of ranked) {
    if (chosen.length === QUICK) break;
    const { zone } = LOOK_DATA[each.look];
    if (zones.has(zone)) continue;
    zones.add(zone);
    chosen.push(each);
  }
  for (const each of ranked) if (chosen.length < QUICK && !chosen.includes(each)) chosen.push(each);
  return chosen;
}

/** What a round takes, ms: as long as the last of its kind took where one is on record, else as its looks are reckoned. */
export function timeFor(steps: readonly LookStep[], log: Pick<InstrumentLog, 'lookOvers'>, extent: Extent) {
  const last = log.lookOvers.findLast(
    (over) => over.extent === extent && over.endedAt !== null && tookMs(over) !== null,
  );
  return last
    ? { ms: tookMs(last)!, measured: true }
    : { ms: steps.reduce((sum, { guide }) => sum + guide.minutes, 0) * MINUTE_MS, measured: false };
}

/** A round that was left for another day did not take so long. */
const LONGEST_MS = HOUR_MS;

/** How long a look-over took, ms; null while it is under way, or where it was left for another time. */
export function tookMs({ at, endedAt }: Pick<LookOver, 'at' | 'endedAt'>): number | null {
  return endedAt === null || endedAt - at > LONGEST_MS ? null : endedAt - at;
}

/** What a round has of each look: what was seen, or that it was skipped. */
export interface LookAnswer {
  /** The entry it stands in. */
  eventId: string;
  /** null: skipped. */
  finding: Finding | null;
}

/** Answers of a round by look; the latest of each holds. */
export function answersOf(log: Pick<InstrumentLog, 'findings'>, over: LookOver): Map<LookId, LookAnswer> {
  const answers = new Map<LookId, LookAnswer>(
    over.skipped.map(({ look, eventId }) => [look, { eventId, finding: null }]),
  );
  for (const finding of log.findings)
    if (finding.overId === over.eventId) answers.set(finding.look, { eventId: finding.eventId, finding });
  return answers;
}

/** A look-over under way: what is to be looked at, what was answered, and what comes next. */
export interface RoundUnderWay {
  over: LookOver;
  steps: LookStep[];
  answers: Map<LookId, LookAnswer>;
  /** null once everything is answered. */
  next: LookStep | null;
  behind: number;
}

/** A look-over as it stands in the log. What was found in it changes nothing of what is looked at in it. */
export function roundUnderWay(
  { facts, schools, log, reasons }: Pick<Assessment, 'facts' | 'schools' | 'log' | 'reasons'>,
  over: LookOver,
): RoundUnderWay {
  const before = { ...log, findings: log.findings.filter(({ at }) => at < over.at) };
  const steps = lookRound({
    facts,
    schools,
    extent: over.extent,
    by: over.by,
    causes: reasons.map(({ cause }) => cause),
    open: openFindings(before, facts.stringCount).map(({ look }) => look),
  });
  const answers = answersOf(log, over);
  const at = steps.findIndex(({ look }) => !answers.has(look));
  return { over, steps, answers, next: steps[at] ?? null, behind: at < 0 ? steps.length : at };
}
