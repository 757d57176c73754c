import { openFindings } from '../inspection';
import { viewsOf, type Family, type Figure, type View } from '../instruments';
import type { Finding, InstrumentLog, LookOver, Photographed } from '../log';
import { dayOfDate, startOfLocalDay } from '../time';
import type { Loan } from './loan';

/** What is looked at and photographed within so many days of coming back still tells of that state. From memory: it is seldom done at the door. */
const AFTER_DAYS = 7;

/** How an instrument was at a moment, as far as it was looked at. */
export interface StateThen {
  /** When it was looked over last before that, ms; null: never. */
  lookedAt: number | null;
  /** What was found and not seen to. */
  found: Finding[];
  views: { view: View; seen: Photographed | null }[];
}

/** A figure that was measured before and after. */
export interface FigureMoved {
  figure: Figure;
  before: number;
  after: number;
}

export interface LoanDifferences {
  out: StateThen;
  /** Null: it is out. */
  back: StateThen | null;
  /** Found at coming back and not at going out, or worse than then. */
  added: Finding[];
  /** Found at going out, and not any more. */
  gone: Finding[];
  /** Found at both, the same. */
  same: Finding[];
  figures: FigureMoved[];
}

type Looked = Pick<
  InstrumentLog,
  'findings' | 'settlements' | 'fittings' | 'rehairs' | 'lookOvers' | 'photos' | 'measures'
>;

const until = <T extends { at: number }>(list: readonly T[], atMs: number): T[] => list.filter(({ at }) => at <= atMs);

/** What one finding is about, so that it is known again. */
const aboutOf = ({ look, string }: Pick<Finding, 'look' | 'string'>) => `${look} ${string ?? ''}`;

function stateThen(log: Looked, facts: { family: Family; stringCount: number }, atMs: number): StateThen {
  const then = {
    findings: until(log.findings, atMs),
    settlements: until(log.settlements, atMs),
    fittings: until(log.fittings, atMs),
    rehairs: until(log.rehairs, atMs),
  };
  const over = log.lookOvers.findLast(({ endedAt }: LookOver) => endedAt !== null && endedAt <= atMs);
  return {
    lookedAt: over?.endedAt ?? null,
    found: openFindings(then, facts.stringCount),
    views: viewsOf(facts.family).map((view) => ({
      view,
      seen: log.photos.findLast((photo) => photo.view === view && photo.at <= atMs) ?? null,
    })),
  };
}

/** Figures as they were measured last before each of two moments, where both are known and differ. */
function figuresMoved({ measures }: Looked, outMs: number, backMs: number): FigureMoved[] {
  const figures = [...new Set(measures.map(({ figure }) => figure))];
  return figures.flatMap((figure) => {
    const before = measures.findLast((each) => each.figure === figure && each.at <= outMs);
    const after = measures.findLast((each) => each.figure === figure && each.at <= backMs);
    if (!before || !after || before.at === after.at || before.value === after.value) return [];
    return [{ figure, before: before.value, after: after.value }];
  });
}

/**
 * How an instrument went out and how it came back, and what is different [handbook 13]: by the look-overs, measures and photographs
 * on record at the end of the day it went, and until some days after it came.
 * @param nowMs the moment asked, ms
 */
export function loanDifferences(
  loan: Pick<Loan, 'from' | 'back'>,
  log: Looked,
  facts: { family: Family; stringCount: number },
  nowMs: number,
  timeZone: string,
): LoanDifferences {
  const endOf = (date: string, days: number) => startOfLocalDay(dayOfDate(date) + days, timeZone) - 1;
  const outMs = endOf(loan.from, 1);
  const out = stateThen(log, facts, outMs);
  if (loan.back === null) return { out, back: null, added: [], gone: [], same: [], figures: [] };
  const backMs = Math.max(outMs, Math.min(nowMs, endOf(loan.back, 1 + AFTER_DAYS)));
  const back = stateThen(log, facts, backMs);
  const before = new Map(out.found.map((finding) => [aboutOf(finding), finding]));
  const isWorse = (finding: Finding) => {
    const known = before.get(aboutOf(finding));
    return !known || (known.verdict !== 'act' && finding.verdict === 'act');
  };
  const after = new Set(back.found.map(aboutOf));
  return {
    out,
    back,
    added: back.found.filter(isWorse),
    gone: out.found.filter((finding) => !after.has(aboutOf(finding))),
    same: back.found.filter((finding) => !isWorse(finding)),
    figures: figuresMoved(log, outMs, backMs),
  };
}
