import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useRef, useState } from 'react';
import { act } from '@/state/actions';
import { useAssessmentStore } from '@/state/assessment-store';
import { seenHere, useHere } from '@/state/here';
import { inHand } from '@/state/bows';
import { useJobPlaces } from '@/state/job-places';
import type { Draft } from '@/state/log';
import { usePreferences } from '@/state/preferences';
import { readMeasure } from '@/copy/typed';
import { JOB_TITLES } from '@tembrin/core/guided';
import { nextSize, type JobData, type WorkStep } from '@tembrin/core/jobs';
import { LOOK_DATA, type Figure, type Verdict } from '@tembrin/core/instruments';
import type { Work } from '@tembrin/core/log';
import { MINUTE_MS } from '@tembrin/core/time';
import { copy } from '@/copy/screens/jobs/jobs';
import { seenAlone } from '../seen-alone';
import { unlessGone } from '../unless-gone';

const isOfBow = (figure: Figure) => figure.startsWith('bow-');

/** Until when a step rests that is come to now, ms; null where it does not. */
export const restsFrom = (step: WorkStep | undefined, nowMs: number): number | null =>
  step?.waitMin === undefined ? null : nowMs + step.waitMin * MINUTE_MS;

/** The figures of a step as they are typed, and reading them. */
function useTyped() {
  const lengths = usePreferences((state) => state.lengths);
  const [texts, setTexts] = useState<Readonly<Partial<Record<Figure, string>>>>({});
  const [errors, setErrors] = useState<Readonly<Partial<Record<Figure, string>>>>({});
  /** What was typed; null where something cannot be read, which is then said. */
  const read = (figures: readonly Figure[]) => {
    const typed = figures.flatMap((figure) => {
      const text = texts[figure]?.trim() ?? '';
      return text === '' ? [] : [{ figure, value: readMeasure(figure, text, lengths) }];
    });
    const known = typed.filter((each): each is { figure: Figure; value: number } => typeof each.value === 'number');
    const wrong = typed.filter((each) => typeof each.value === 'string');
    setErrors(Object.fromEntries(wrong.map(({ figure, value }) => [figure, value])));
    return wrong.length > 0 ? null : known;
  };
  return {
    lengths,
    texts,
    errors,
    read,
    setText: (figure: Figure, text: string) => {
      setErrors({});
      setTexts((before) => ({ ...before, [figure]: text }));
    },
    clear: () => setTexts({}),
  };
}

/** A piece of work under way: its step in hand, what is read and found at it, and going on, back or away from it. */
export function useJob(instrument: Instrument, job: JobData, work: Work) {
  const assessment = useHere(instrument);
  const { log, bows, facts } = assessment;
  const { places, goTo, noted, forget } = useJobPlaces();
  const typed = useTyped();
  const [verdict, setVerdict] = useState<Verdict | null>(null);
  const going = useRef(false);
  const id = work.eventId;
  const place = places[id];
  const stepsOf = (of: typeof assessment) => job.compose({ ...of, beganAt: work.at });
  const steps = stepsOf(assessment);
  const at = Math.max(
    0,
    steps.findIndex((each) => each.id === place?.step),
  );
  const step = steps[at]!;
  const last = at + 1 === steps.length;
  const stand = (to: WorkStep) => {
    setVerdict(null);
    typed.clear();
    goTo(id, to.id, restsFrom(to, Date.now()));
  };
  const next = async () => {
    const figures = typed.read(step.figures ?? []);
    if (figures === null || going.current) return;
    going.current = true;
    const goOn = unlessGone(() => router.replace('/bench/jobs'));
    const drafts = draftsOf(step, {
      verdict,
      figures,
      bow: inHand(instrument, bows),
      child: facts.setUp.player === 'child',
    });
    if (last) drafts.push({ type: 'job-ended', payload: { jobId: id, finished: true, note: place?.note ?? '' } });
    const done =
      drafts.length === 0 || (await act(instrument.id, drafts, last ? copy.done(JOB_TITLES[job.id]) : null)).length > 0;
    going.current = false;
    if (!done) return;
    if (last) {
      forget(id);
      return goOn();
    }
    // What was read may have called for more steps.
    const news = useAssessmentStore.getState().byInstrument[instrument.id];
    const judged = news ? seenHere(news) : assessment;
    const now = stepsOf(judged);
    stand(now[now.findIndex((each) => each.id === step.id) + 1] ?? now.at(-1)!);
  };
  const leave = async () => {
    const goBack = unlessGone(() => router.replace('/bench/jobs'));
    const ended = { jobId: id, finished: false, note: place?.note ?? '' };
    if ((await act(instrument.id, [{ type: 'job-ended', payload: ended }], copy.left)).length === 0) return;
    forget(id);
    goBack();
  };
  return {
    ...typed,
    facts,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    steps,
    at,
    step,
    last,
    verdict,
    setVerdict,
    note: place?.note ?? '',
    setNote: (note: string) => noted(id, note),
    restsUntil: step.waitMin === undefined ? null : (place?.restsUntil ?? restsFrom(step, work.at)),
    size: nextSize(
      facts,
      log.measures.filter(({ figure }) => figure === 'arm-length'),
    ),
    next: () => void next(),
    back: at === 0 ? null : () => stand(steps[at - 1]!),
    leave: () => void leave(),
  };
}

interface Said {
  verdict: Verdict | null;
  figures: readonly { figure: Figure; value: number }[];
  bow: { bowId?: string };
  child: boolean;
}

/** What a step puts on record: what was looked at with its figures, other figures by themselves, and what was done. */
function draftsOf({ look, zone, records }: WorkStep, { verdict, figures, bow, child }: Said): Draft[] {
  const ofLook = look && verdict ? figures.filter(({ figure }) => LOOK_DATA[look].figures?.includes(figure)) : [];
  const drafts: Draft[] = figures
    .filter((each) => !ofLook.includes(each))
    .map(({ figure, value }) => ({ type: 'measured', payload: { figure, value, ...(isOfBow(figure) && bow) } }));
  if (look && verdict) {
    const seen = seenAlone(look, verdict, { child, bow, figures: ofLook, ...(zone && { zone }) });
    drafts.push({ type: 'looked-at', payload: seen });
  }
  if (records === 'rosined') drafts.push({ type: 'rosined', payload: bow });
  if (records === 'knocked') drafts.push({ type: 'knocked', payload: {} });
  return drafts;
}

export type JobModel = ReturnType<typeof useJob>;
