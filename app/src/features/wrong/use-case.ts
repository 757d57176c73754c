import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { act, enter, retract } from '@/state/actions';
import { useAssessment, useComplete, type InstrumentAssessment } from '@/state/assessments';
import { inHand } from '@/state/bows';
import { written, type Draft } from '@/state/log';
import { threadOf } from '@tembrin/core/parts';
import type { Doer, Trouble } from '@tembrin/core/log';
import { jobForCause } from '@tembrin/core/jobs';
import {
  CAUSES,
  caseOnRecord,
  judgeCase,
  lookOfCause,
  outcomesOf,
  type Case,
  type CauseId,
  type QuestionId,
} from '@tembrin/core/triage';
import { seenAlone } from '../seen-alone';
import type { Played } from '@/copy/troubles';
import { causeTitle } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/case';

/** Causes that new strings mend. */
const WANT_STRINGS: readonly CauseId[] = ['strings-old', 'string-faulty', 'winding-loose'];
/** Causes that are the air’s. */
const WANT_AIR: readonly CauseId[] = [
  'wood-dry',
  'wood-damp',
  'hair-stretched',
  'hair-shrunk',
  'top-sunk',
  'top-swollen',
];

/** Chances as they stood before the last answer; empty before the first. */
function chancesBefore(given: Case, last: QuestionId | null): ReadonlyMap<CauseId, number> {
  if (last === null) return new Map();
  const answers = Object.fromEntries(Object.entries(given.answers).filter(([question]) => question !== last));
  return new Map(judgeCase({ ...given, answers }).causes.map(({ id, chance }) => [id, chance]));
}

/** A trouble as it stands: what it could be, what to look at next, and what would change it. */
function useJudged(assessment: InstrumentAssessment, trouble: Trouble) {
  const [passed, setPassed] = useState<readonly QuestionId[]>([]);
  const record = useMemo(() => caseOnRecord(assessment, trouble), [assessment, trouble]);
  const { given, answered } = record;
  const last = answered.at(-1)?.question ?? null;
  const judgement = useMemo(() => given && judgeCase(given, new Set(passed)), [given, passed]);
  const before = useMemo(() => (given ? chancesBefore(given, last) : new Map<CauseId, number>()), [given, last]);
  const next = judgement?.next ?? null;
  const outcomes = useMemo(() => (given && next ? outcomesOf(given, next) : []), [given, next]);
  const passOver = (question: QuestionId) => setPassed((all) => [...all, question]);
  return { ...record, judgement, before, outcomes, passed, passOver, askAgain: () => setPassed([]) };
}

/** Answering the looks of a trouble, and taking answers back. */
function useAnswering(instrument: Instrument, trouble: Trouble) {
  // A second tap is no answer to the look that comes after.
  const answering = useRef<QuestionId | null>(null);
  const answer = async (question: QuestionId, words: string) => {
    if (answering.current === question) return;
    answering.current = question;
    const payload = { troubleId: trouble.eventId, question, answer: words };
    const done = await act(instrument.id, [{ type: 'trouble-answered', payload }], null);
    if (done.length === 0) answering.current = null;
  };
  const takeBack = (eventId: string) => {
    answering.current = null;
    void retract(instrument.id, [eventId], copy.takenBack);
  };
  return { answer: (question: QuestionId, words: string) => void answer(question, words), takeBack };
}

/** Ending a trouble, opening it again, beginning it anew. */
function useEnding(instrument: Instrument, trouble: Trouble, { facts, found }: InstrumentAssessment) {
  const [closing, setClosing] = useState(false);
  const { eventId: troubleId, settled } = trouble;
  const settle = async (cause: CauseId | null, by: Doer, note: string) => {
    const of = cause && lookOfCause(cause, facts.family);
    const mended = found.filter((finding) => finding.look === of);
    const payload = { troubleId, cause, by, note: note.trim() };
    const drafts: Draft[] = mended.map(({ eventId }) => ({
      type: 'finding-settled',
      payload: { findingId: eventId, how: 'mended' },
    }));
    const done = await act(instrument.id, [{ type: 'trouble-settled', payload }, ...drafts], copy.kept);
    if (done.length > 0) setClosing(false);
  };
  const anew = async (symptoms: readonly string[]) => {
    const noticed = { symptoms: [...symptoms], by: trouble.by };
    const fresh = written(instrument.id, { type: 'trouble-noticed', payload: noticed });
    const payload = { troubleId, cause: null, by: 'self', note: '' } as const;
    const over = written(instrument.id, { type: 'trouble-settled', payload });
    if ((await enter([over, fresh], copy.begunAnew)).length > 0)
      router.replace({ pathname: '/bench/wrong/[trouble]', params: { trouble: fresh.id } });
  };
  const reopen = () => settled && void retract(instrument.id, [settled.eventId], copy.reopened);
  return { closing, setClosing, settle, anew, reopen };
}

/** Putting what it is taken to be on the list for the workshop; null where it is there, or is none of the workshop’s. */
function forVisitOf(instrument: Instrument, trouble: Trouble, lead: CauseId | null, assessment: InstrumentAssessment) {
  const { found, bows, facts } = assessment;
  const look = lead && CAUSES[lead].who === 'workshop' ? lookOfCause(lead, facts.family) : null;
  if (lead === null || look === null || trouble.settled || found.some((finding) => finding.look === look)) return null;
  const child = trouble.by === 'child';
  const payload = seenAlone(look, 'act', { child, bow: inHand(instrument, bows), note: causeTitle(lead) });
  return () => void act(instrument.id, [{ type: 'looked-at', payload }], copy.forVisitDone);
}

/** A trouble that is looked into: what it could be, what to look at next, and what is done about it. */
export function useCase(instrument: Instrument, trouble: Trouble) {
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const { log, air, threads } = assessment;
  const [heeded, setHeeded] = useState<readonly CauseId[] | null>(null);
  const judged = useJudged(assessment, trouble);
  const ending = useEnding(instrument, trouble, assessment);
  const dangers = judged.judgement?.dangers ?? [];
  const lead = judged.judgement?.lead ?? null;
  const played: Played = {
    stringHours: hoursOf(threadOf(threads, 'strings')?.clock),
    hairHours: hoursOf(threadOf(threads, 'hair')?.clock),
    restRh: air?.verdict.body?.restRh ?? null,
  };
  return {
    ...judged,
    ...useAnswering(instrument, trouble),
    ...ending,
    anew: () => void ending.anew(judged.given?.symptoms ?? []),
    complete,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    played,
    /** Dangers that were not yet read on their own page: at first any, later one that it is taken to be. */
    unheeded:
      trouble.settled === null &&
      (heeded === null ? dangers.length > 0 : lead !== null && dangers.includes(lead) && !heeded.includes(lead)),
    heed: () => setHeeded(dangers),
    unheed: () => setHeeded(null),
    job: lead && jobForCause(assessment, lead),
    mendedBy: lead === null ? null : WANT_STRINGS.includes(lead) ? 'change' : WANT_AIR.includes(lead) ? 'air' : null,
    forVisit: forVisitOf(instrument, trouble, lead, assessment),
  };
}

const hoursOf = (clock: { hoursPlayed: number; hoursBefore: number } | null | undefined) =>
  clock ? clock.hoursPlayed + clock.hoursBefore : null;

export type CaseModel = ReturnType<typeof useCase>;
