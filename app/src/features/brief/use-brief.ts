import type { Instrument, Paper } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { useAssessment, useComplete, useYearPlan } from '@/state/assessments';
import { addCards, changeCard, removeCard, useCards, useCardStore } from '@/state/cards';
import { notify, notifyProblem } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { usualAsks } from '@/copy/brief';
import { copy } from '@/copy/screens/brief';
import { BRIEF_BOUNDS, briefSchema, MOST_PHOTOS, type Asked, type BriefDocument } from '@tembrin/core/brief';
import { download } from '../files/files';
import { composedFor, useBriefCard } from '../visits/briefs';
import { openVisitFor } from '../visits/begin';

/** A section while it is edited: its lines as one text. */
interface Draft extends Omit<BriefDocument, 'sections' | 'instrumentId' | 'asked'> {
  asked: Asked[];
  sections: { title: string; text: string }[];
}

const draftOf = ({ sections, asked = [], ...rest }: Omit<BriefDocument, 'instrumentId'>): Draft => ({
  ...rest,
  asked,
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
  return { log, moment, compose: (): Draft => draftOf(composedFor(assessment, items, lengths)) };
}

/** A brief as it is edited: kept on a card of the household’s. */
function useDraft(instrument: Instrument) {
  const { log, moment, compose } = useComposed(instrument);
  const card = useBriefCard(instrument);
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
  /** What may be asked for: what is on record, and what is usual. */
  const asks = withAsked(compose().asked, usualAsks(instrument.family));
  const inVisit = useCards('visit').some(({ facts }) => card !== null && facts.briefIds.includes(card.id));
  /** Takes it away; one that a visit is made of stays as long as that does. */
  const remove = card === null || inVisit ? null : () => void removeCard(card, copy.removed);
  return { remove, asks, log, moment, draft, change, keep, problem, anew, kept, id: kept ? card.id : null };
}

/** Things to be asked for, each part once. */
function withAsked(asked: readonly Asked[], more: readonly Asked[]): Asked[] {
  const nameOf = (each: Asked) => (each.about === 'part' ? `${each.part} ${each.bowId}` : JSON.stringify(each));
  const names = new Set(asked.map(nameOf));
  return [...asked, ...more.filter((each) => !names.has(nameOf(each)))];
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
  /** On to the visit it is for: the one that is open, or a new one. */
  const send = async () => {
    setBusy(true);
    try {
      const id = keptId ?? (await keep(null));
      if (id !== null) router.push({ pathname: '/year/visits/[visit]', params: { visit: await openVisitFor([id]) } });
    } catch (error) {
      notifyProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const isSame = (one: Asked, other: Asked) => JSON.stringify(one) === JSON.stringify(other);
  const toggleAsked = (each: Asked) => {
    const without = draft.asked.filter((other) => !isSame(other, each));
    change({
      asked: without.length < draft.asked.length ? without : [...draft.asked, each].slice(0, BRIEF_BOUNDS.asks),
    });
  };
  const addAsked = (words: string) => {
    const wish = words.trim().slice(0, BRIEF_BOUNDS.ask);
    if (wish !== '') toggleAsked({ about: 'other', words: wish });
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
    asks: withAsked(model.asks, draft.asked).map((each) => ({
      ask: each,
      on: draft.asked.some((other) => isSame(other, each)),
    })),
    toggleAsked,
    addAsked,
    send: () => void send(),
    paper,
    setPaper,
    busy,
    save: () => void keep(copy.saved),
    print: () => void print(),
  };
}

export type BriefModel = ReturnType<typeof useBrief>;
