import * as z from 'zod';
import { JOBS, type JobId } from '../guided';
import { id, type Mark } from './primitives';
import { always, type Topic } from './topic';

/** Jobs as they are begun and ended; what is read and found in them stands in the log by itself. */
export const jobPayloads = {
  /** The event's id is that of the piece of work. */
  'job-began': z.strictObject({ job: z.enum(JOBS) }),
  /** `note`: what it turned out to be, where that was looked for. */
  'job-ended': z.strictObject({
    jobId: id,
    finished: z.boolean(),
    note: z.string().trim().max(300, 'A note has at most 300 characters.'),
  }),
} as const;

/** A guided job, under way or over. */
export interface Work extends Mark {
  job: JobId;
  /** When it ended, ms, and whether it was gone through to its end; null while it is under way. */
  ended: { at: number; finished: boolean; note: string } | null;
}

export interface JobLists {
  works: Work[];
}

export const jobTopic: Topic<keyof typeof jobPayloads, JobLists> = {
  start: () => ({ works: [] }),
  events: {
    'job-began': {
      admit: always,
      fold: ({ works }, mark, { payload }) => void works.push({ ...mark, ...payload, ended: null }),
    },
    'job-ended': {
      admit: ({ payload }, _at, { has }) => (has(payload.jobId) ? null : { code: 'no-such-event' }),
      refersTo: ({ jobId }) => [jobId],
      fold: ({ works }, { at }, { payload: { jobId, finished, note } }) => {
        const work = works.findLast(({ eventId }) => eventId === jobId);
        if (work) work.ended ??= { at, finished, note };
      },
    },
  },
};
