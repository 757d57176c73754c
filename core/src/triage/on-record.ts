import type { Assessment } from '../assess';
import { type LookId } from '../instruments';
import { decisive, type Finding, type InstrumentLog } from '../log';
import { threadOf } from '../parts';
import { DAY_MS, HOUR_MS, MONTH_DAYS, WEEK_MS } from '../time';
import { FINE } from './case';
import { bounded, type Facts } from './facts';
import type { QuestionId } from './signs';

/** When it came home from a journey last, ms. */
function homeAt({ moves }: Pick<InstrumentLog, 'moves'>): number | null {
  const away = moves.findLastIndex(({ placeId }) => placeId === null);
  return away < 0 ? null : (moves[away + 1]?.at ?? null);
}

/** Drift of the wood over a week, as humidity at rest, from which it is on its way. From memory. */
const DRIFT = 0.04;

/** Facts that are numbers of so much since something; left out where nobody knows. */
function since(nowMs: number, at: number | null | undefined, unitMs: number): number | undefined {
  return at === null || at === undefined ? undefined : Math.max(0, (nowMs - at) / unitMs);
}

/** What is on record of an instrument and bears on what is wrong with it. */
export function factsOnRecord({ facts: said, log, threads, bows, tension, air }: Assessment): Facts {
  const { nowMs } = log;
  const strings = threadOf(threads, 'strings');
  const hair = threadOf(threads, 'hair');
  const residue = threadOf(threads, 'residue');
  const rehair = decisive((bows[0]?.log ?? log).rehairs);
  const fitted = log.fittings.findLast(({ known }) => known);
  const last = log.sessions.at(-1);
  const body = air?.verdict.body ?? null;
  const drift = air?.verdict.driftWeek ?? 0;
  const facts: Record<keyof Facts, Facts[keyof Facts] | undefined> = {
    stringWear: strings?.clock?.wear,
    hairWear: hair?.clock?.wear,
    stringDays: since(nowMs, fitted?.at, DAY_MS),
    hairDays: since(nowMs, rehair?.known ? rehair.at : null, DAY_MS),
    rosinMinutes: threadOf(threads, 'rosin')?.minutes,
    residueDays: since(nowMs, residue?.worst?.since, DAY_MS),
    wood: body ? (air!.verdict.side ?? 'usual') : undefined,
    drift: body ? (drift > DRIFT ? 'wetting' : drift < -DRIFT ? 'drying' : 'steady') : undefined,
    journeyDays: since(nowMs, homeAt(log), DAY_MS),
    knockDays: since(nowMs, log.knocks.at(-1)?.at, DAY_MS),
    wetDays: since(nowMs, log.works.findLast(({ job }) => job === 'wet')?.at, DAY_MS),
    newDays: since(nowMs, said.since === null ? null : Date.parse(said.since), DAY_MS),
    tightHours: tension?.tightSince ? since(nowMs, tension.tightSince, HOUR_MS) : tension?.idleHours,
    checkupMonths: since(nowMs, log.checkups.findLast(({ known }) => known)?.at, MONTH_DAYS * DAY_MS),
    lyingWeeks: since(nowMs, last ? (last.endedAt ?? nowMs) : null, WEEK_MS),
  };
  return bounded(Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined)) as Facts);
}

/** A look that was found wrong, as an answer; where that is not clear from the look alone, none. */
const AS_ANSWERS: Readonly<Partial<Record<LookId, readonly [QuestionId, string]>>> = {
  'bridge-lean': ['bridge-side', 'leans'],
  'bridge-place': ['bridge-place', 'moved'],
  seams: ['seams-seen', 'gap'],
  strings: ['nail-along', 'rough'],
  grooves: ['groove', 'sharp'],
  'fine-tuners': ['tuner-travel', 'end'],
  'fret-ends': ['fret-finger', 'catch'],
  'hair-band': ['band-seen', 'thin'],
  'hair-clean': ['frog-black', 'black'],
  'harp-tuning': ['sharpened-each', 'some'],
};

/** A look is an answer for so long: after that it is looked at again. From memory. */
const FRESH_DAYS = 14;

/** What a hygrometer is asked for: under and over these it is an answer. */
const [DRY, DAMP] = [0.35, 0.65];

/** What was looked at of late, and the air of the last day, as answers: what was good is as it should be, what is open is not. */
export function answersOnRecord({
  log,
  found,
  bows,
  air,
}: Pick<Assessment, 'log' | 'found' | 'bows' | 'air'>): Partial<Record<QuestionId, string>> {
  const open = new Set(found.map(({ eventId }) => eventId));
  const latest = new Map<LookId, Finding>();
  for (const finding of [...log.findings, ...(bows[0]?.log.findings ?? [])]) {
    const before = latest.get(finding.look);
    if (!before || before.at <= finding.at) latest.set(finding.look, finding);
  }
  const answers = [...latest.values()].flatMap((finding) => {
    const as = AS_ANSWERS[finding.look];
    if (!as || log.nowMs - finding.at > FRESH_DAYS * DAY_MS) return [];
    if (finding.verdict === 'good') return [[as[0], FINE] as const];
    return open.has(finding.eventId) && finding.verdict === 'act' ? [as] : [];
  });
  const dayRh = air?.verdict.dayRh ?? null;
  const hygrometer =
    dayRh === null ? [] : [['hygrometer', dayRh < DRY ? 'dry' : dayRh > DAMP ? 'damp' : FINE] as const];
  return Object.fromEntries([...answers, ...hygrometer]);
}
