import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { saidOf } from '@/state/bows';
import type { InstrumentAssessment } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { measureNumber, type LengthUnit } from '@/copy/measures';
import { readMeasure } from '@/copy/typed';
import { verdictOfAll, type FigureRead } from '@tembrin/core/inspection';
import { LOOK_DATA, type Figure, type LookId, type Verdict } from '@tembrin/core/instruments';
import { decisive, type EventOf, type Looker, type Measure } from '@tembrin/core/log';
import { HOUR_MS } from '@tembrin/core/time';

const LONGEST_NOTE = 300;

type Seen = EventOf<'looked-at'>['payload'];

/** Figures that were measured within the hour, by a photograph or a ruler, as they stand in their fields. */
function justMeasured(
  figures: readonly Figure[],
  measures: readonly Measure[],
  nowMs: number,
  lengths: LengthUnit,
): Partial<Record<Figure, string>> {
  const fresh = figures.flatMap((figure) => {
    const last = measures.findLast((each) => each.figure === figure);
    return last && nowMs - last.at < HOUR_MS ? [[figure, measureNumber(figure, last.value, lengths)] as const] : [];
  });
  return Object.fromEntries(fresh);
}

/**
 * What is said of one look before it is answered: its figures, which string, where, a note.
 * @param bowId the bow that is looked at; null: the one in hand
 */
export function useAnswer(
  instrument: Instrument,
  assessment: InstrumentAssessment,
  look: LookId,
  bowId: string | null = null,
) {
  const { facts, log, bows } = assessment;
  const lengths = usePreferences((state) => state.lengths);
  const { figures = [], bow, zone } = LOOK_DATA[look];
  const [typed, setTexts] = useState<Readonly<Partial<Record<Figure, string>>>>({});
  const [errors, setErrors] = useState<Readonly<Partial<Record<Figure, string>>>>({});
  const [string, setString] = useState<number | null>(null);
  const [point, setPoint] = useState<Seen['point']>(null);
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<Uint8Array | null>(null);
  const looked = bows.find((each) => each.bow.id === bowId) ?? bows[0];
  const own = bow && looked ? looked.log : log;
  const texts = { ...justMeasured(figures, own.measures, log.nowMs, lengths), ...typed };
  const read = figures.flatMap((figure) => {
    const text = texts[figure]?.trim() ?? '';
    return text === '' ? [] : [{ figure, value: readMeasure(figure, text, lengths) }];
  });
  const known = read.filter((each): each is FigureRead => typeof each.value === 'number');
  const told = verdictOfAll(known, {
    facts,
    earlier: own.measures,
    rehairedAt: decisive(own.rehairs)?.at ?? null,
    nowMs: log.nowMs,
  });
  /** What is put on record; null where a figure cannot be read, which is then said. */
  const answer = (verdict: Verdict, by: Looker, overId: string | null): Seen | null => {
    const wrong = read.filter((each) => typeof each.value === 'string');
    setErrors(Object.fromEntries(wrong.map(({ figure, value }) => [figure, value])));
    if (wrong.length > 0) return null;
    return {
      look,
      verdict,
      overId,
      by,
      zone,
      point: verdict === 'good' ? null : point,
      figures: known,
      string: verdict === 'good' ? null : string,
      note: note.trim(),
      ...(bow && looked && saidOf(looked.bow.id, instrument, bows)),
    };
  };
  return {
    figures,
    texts,
    errors,
    told,
    setText: (figure: Figure, text: string) => {
      setErrors({});
      setTexts((before) => ({ ...before, [figure]: text }));
    },
    string,
    setString,
    point,
    setPoint,
    note,
    setNote: (text: string) => setNote(text.slice(0, LONGEST_NOTE)),
    photo,
    setPhoto,
    answer,
  };
}

export type AnswerFields = Omit<ReturnType<typeof useAnswer>, 'answer'>;
