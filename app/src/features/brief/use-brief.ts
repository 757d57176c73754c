import type { Instrument, Paper } from '@tembrin/contract';
import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { useAssessment, useComplete, useYearPlan } from '@/state/assessments';
import { addCards, changeCard, useCards, useCardStore } from '@/state/cards';
import { notify, notifyProblem } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { composed } from '@/copy/brief';
import { copy } from '@/copy/screens/brief';
import { briefOf, briefSchema, MOST_PHOTOS, type BriefDocument } from '@tembrin/core/brief';
import { caseOnRecord } from '@tembrin/core/triage';
import { download } from '../files/files';

/** A section while it is edited: its lines as one text. */
interface Draft extends Omit<BriefDocument, 'sections' | 'instrumentId'> {
  sections: { title: string; text: string }[];
}

const draftOf = ({ sections, ...rest }: Omit<BriefDocument, 'instrumentId'>): Draft => ({
  ...rest,
  sections: sections.map(({ title, lines }) => ({ title, text: lines.join('\n') })),
});

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** A brief composed from the log as it is now. */
function useComposed(instrument: Instrument) {
  const assessment = useAssessment(instrument);
  const { items } = useYearPlan();
  const lengths = usePreferences((state) => state.lengths);
  const { log } = assessment;
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const compose = (): Draft => {
    const own = items.filter(({ instrumentId }) => instrumentId === instrument.id);
    const brief = briefOf(assessment, own);
    const cases = brief.troubles.map((trouble) => caseOnRecord(assessment, trouble));
    return draftOf(composed(brief, { ...moment, instrument, lengths, cases }));
  };
  return { log, moment, compose };
}

/** A brief as it is edited: kept on a card of the household’s. */
function useDraft(instrument: Instrument) {
  const { log, moment, compose } = useComposed(instrument);
  const card = useCards('brief').findLast(({ facts }) => facts.instrumentId === instrument.id) ?? null;
  const [edited, setEdited] = useState<Draft | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const draft = edited ?? (card ? draftOf(card.facts) : compose());
  const change = (part: Partial<Draft>) => {
    setProblem(null);
    setEdited({ ...draft, ...part });
  };
  /** Keeps it as it stands. @returns its id; null where something is wrong with it, which is then said */
  const keep = async (done: string | null): Promise<string | null> => {
    const { sections, ...rest } = draft;
    const told = sections.map(({ title, text }) => ({ title, lines: linesOf(text) }));
    const read = briefSchema.safeParse({
      ...rest,
      instrumentId: instrument.id,
      sections: told.filter(({ lines }) => lines.length > 0),
    });
    if (!read.success) {
      setProblem(read.error.issues[0]!.message);
      return null;
    }
    setEdited(null);
    if (!card) return (await addCards([{ kind: 'brief', facts: read.data }], done))[0]?.id ?? null;
    await changeCard(card, read.data, done);
    return card.id;
  };
  const anew = () => {
    setEdited({ ...compose(), wishes: draft.wishes });
    notify(copy.anewDone);
  };
  const kept = card !== null && edited === null;
  return { log, moment, draft, change, keep, problem, anew, kept, id: kept ? card.id : null };
}

/** What the workshop is told of one instrument: composed from the log, edited, kept, printed. */
export function useBrief(instrument: Instrument) {
  const { log, keep, id: keptId, ...model } = useDraft(instrument);
  const { draft, change } = model;
  const complete = useComplete(instrument.id);
  const [paper, setPaper] = useState<Paper>('a4');
  const [busy, setBusy] = useState(false);
  const print = async () => {
    setBusy(true);
    try {
      const id = keptId ?? (await keep(null));
      if (id === null) return;
      if (useCardStore.getState().unsent > 0) return notifyProblem(copy.waiting);
      await download('printBrief', { params: { id }, query: { paper } });
      notify(copy.printed);
    } catch (error) {
      notifyProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const full = draft.photos.length >= MOST_PHOTOS;
  const togglePhoto = (photo: string) => {
    const without = draft.photos.filter((each) => each !== photo);
    if (without.length < draft.photos.length) change({ photos: without });
    else if (!full) change({ photos: [...draft.photos, photo] });
  };
  return {
    ...model,
    complete,
    setSection: (at: number, text: string) =>
      change({ sections: draft.sections.map((section, place) => (place === at ? { ...section, text } : section)) }),
    photos: [...new Map(log.photos.map((each) => [each.photo, each])).values()].reverse(),
    togglePhoto,
    full,
    paper,
    setPaper,
    busy,
    save: () => void keep(copy.saved),
    print: () => void print(),
  };
}

export type BriefModel = ReturnType<typeof useBrief>;
