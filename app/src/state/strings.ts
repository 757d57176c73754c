import type { StringsThread, StringWear } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { useJudged, type Judged } from './condition';

/** An instrument judged, with its strings by position, lowest first. */
export function useStrings(instrument: Instrument): Judged & { on: readonly StringWear[]; thread: StringsThread } {
  const judged = useJudged(instrument);
  const thread = judged.condition.threads.find((each): each is StringsThread => each.part === 'strings')!;
  return { ...judged, on: thread.on, thread };
}
