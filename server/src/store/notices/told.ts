import type { KnownConcern, NoticeKind, Sent } from '@tembrin/core';
import { DONE_STEPS, noticeWords, type NoticeWords, type ToldNotice, type WordsGround } from '@tembrin/contract';
import type { NoticeRow } from '../../database/notice-models';

/** A row as the core reckons with it. */
export const sentOf = ({ concern, worse, toldAt, digest, soAt, againAt, doneAt }: NoticeRow): Sent => ({
  key: concern,
  worse,
  atMs: toldAt.getTime(),
  digest,
  soAtMs: soAt.getTime(),
  againMs: againAt?.getTime() ?? null,
  done: doneAt !== null,
});

export const kindOf = ({ concern }: Pick<NoticeRow, 'concern'>) => concern.split(' ', 1)[0] as NoticeKind;

/** What is kept of the words: as it was said. */
export const wordsText = (concern: KnownConcern, ground: WordsGround) => JSON.stringify(noticeWords(concern, ground));

/** What was told is over once it was not so at the last look. From memory: looks are a day apart at most. */
const OVER_MS = 36 * 3_600_000;

/** A row as its person reads it. */
export function noticeOf(row: NoticeRow, now = new Date()): ToldNotice {
  const { id, instrumentId, words, toldAt, soAt, againAt, doneAt } = row;
  const { title, why, todo, path } = JSON.parse(words) as NoticeWords;
  const kind = kindOf(row);
  const over = now.getTime() - soAt.getTime() > OVER_MS;
  const waits = againAt !== null && againAt > now;
  const state = doneAt !== null ? 'done' : over ? 'over' : waits ? 'put-off' : 'open';
  return {
    id,
    kind,
    instrumentId,
    title,
    why,
    todo,
    path,
    at: toldAt.toISOString(),
    step: DONE_STEPS[kind] ?? null,
    state,
    again: againAt?.toISOString() ?? null,
  };
}
