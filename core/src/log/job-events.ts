import { z } from 'zod';
import { id, type Mark } from './primitives';
import { always, type Topic } from './topic';

/** Guided jobs of the bench, beside the change of strings. */
export const JOBS = [
  'arrival',
  'bridge-upright',
  'pegs-slip',
  'pegs-stick',
  'fine-tuner',
  'broken-hair',
  'shake-rosin',
  'residue',
  'fit',
  'relief',
  'fret-ends',
  'loose-parts',
  'seam-tour',
  'post-look',
  'harp-action',
  'wet',
  'fallen',
  'laying-up',
  'coming-back',
] as const;
export type JobId = (typeof JOBS)[number];

/** Jobs as they are begun and ended; what is read and found in them stands in the log by itself. */
export const jobPayloads = {
  /** The event's id is that of the piece of work. */
  'job-began': z.strictObject({ job: z.enum(JOBS) }),
  'job-ended': z.strictObject({ jobId: id, finished: z.boolean() }),
} as const;

/** A guided job, under way or over. */
export interface Work extends Mark {
  job: JobId;
  /** When it ended, ms, and whether it was gone through to its end; null while it is under way. */
  ended: { at: number; finished: boolean } | null;
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
      fold: ({ works }, { at }, { payload: { jobId, finished } }) => {
        const work = works.find(({ eventId }) => eventId === jobId);
        if (work) work.ended ??= { at, finished };
      },
    },
  },
};
