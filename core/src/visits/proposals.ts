import type { Asked } from '../brief';
import type { EventType, EventOf } from '../log';
import { FIGURE_DATA, isMeasured, type Family } from '../instruments';
import { partOf } from '../parts';
import type { AnswerOf, DoneSheet } from './answer';

/** An entry that is proposed: what it would put on record. */
type Entry = { [T in EventType]: { type: T; payload: EventOf<T>['payload'] } }[EventType];

/** One line of what a workshop answered, as the log would have it. */
export interface Proposal {
  /** Names it within its answer: the same line has the same name. */
  key: string;
  instrumentId: string;
  entry: Entry;
  /** What it says it did, in its own words; of a figure and of a cost, what that is of. */
  words: string;
}

/** The sheet that was answered: the instrument, and what was asked. */
export interface AskedSheet {
  briefId: string;
  instrumentId: string;
  family: Family;
  asked: readonly Asked[];
}

/** What stands in the log once something that was asked is done; null: only words. */
function doneEntry(asked: Asked, words: string): Entry | null {
  switch (asked.about) {
    case 'part': {
      const { part, bowId } = asked;
      if (part === 'hair-look') return { type: 'hair-looked-over', payload: bowId === null ? {} : { bowId } };
      const begun = partOf(part).begun?.(true, false) as Entry | undefined;
      if (begun?.type === 'rehaired' && bowId !== null) return { ...begun, payload: { ...begun.payload, bowId } };
      return begun?.type === 'strings-fitted'
        ? { ...begun, payload: { ...begun.payload, by: 'workshop' } }
        : (begun ?? null);
    }
    case 'finding':
      return { type: 'finding-settled', payload: { findingId: asked.findingId, how: 'mended' } };
    case 'trouble':
      return {
        type: 'trouble-settled',
        payload: { troubleId: asked.troubleId, cause: null, by: 'workshop', note: words.slice(0, 300) },
      };
    case 'other':
      return null;
  }
}

function ofSheet(
  { asked, instrumentId, family }: AskedSheet,
  { lines, figures }: DoneSheet,
  currency: string | null,
  visitId: string,
): Proposal[] {
  const done = lines.flatMap((line, at): Proposal[] => {
    const what = line.asked === null ? undefined : asked[line.asked];
    const words = line.words || what?.words || '';
    const entry = what ? doneEntry(what, line.words) : null;
    const key = `${instrumentId} ${at}`;
    const proposed: Proposal[] = entry ? [{ key: `${key} done`, instrumentId, entry, words }] : [];
    // What is nothing the log knows by itself stands there in words, with what it cost or without.
    if (line.cost === null && entry) return proposed;
    const payload = {
      by: 'workshop' as const,
      words: words.slice(0, 300),
      part: what?.about === 'part' ? what.part : null,
      cost: line.cost === null || currency === null ? null : { amount: line.cost, currency },
      visitId,
    };
    return [...proposed, { key: `${key} cost`, instrumentId, entry: { type: 'worked-on', payload }, words }];
  });
  const read = figures
    .filter(({ figure, value }) => {
      const { least, most } = FIGURE_DATA[figure];
      return isMeasured(figure, family) && value >= least && value <= most;
    })
    .map(({ figure, value }): Proposal => ({
      key: `${instrumentId} ${figure}`,
      instrumentId,
      entry: { type: 'measured', payload: { figure, value } },
      words: FIGURE_DATA[figure].title,
    }));
  return [...done, ...read];
}

/**
 * What an answer would put on record, line by line. Nothing is taken over by itself: the keeper takes each.
 * @param sheets what was asked, as it was sent
 */
export function proposalsOf(
  { sheets: answered, currency }: AnswerOf<'done'>,
  sheets: readonly AskedSheet[],
  visitId: string,
): Proposal[] {
  return answered.flatMap((done) => {
    const sheet = sheets.find(({ briefId }) => briefId === done.briefId);
    return sheet ? ofSheet(sheet, done, currency, visitId) : [];
  });
}
