import { applies } from '../instruments';
import { JOBS, type JobId } from '../guided';
import type { CauseId } from '../triage';
import { ARRIVAL } from './data/arrival';
import { BODY_JOBS } from './data/body';
import { BOW_JOBS } from './data/bow';
import { FIT } from './data/fit';
import { MISHAP_JOBS } from './data/mishaps';
import { PLUCKED_JOBS } from './data/plucked';
import { SEASON_JOBS } from './data/seasons';
import { STRING_JOBS } from './data/strings';
import type { JobData, WorkContext } from './work';

export * from './growth';
export { MOST_EIGHTHS } from './data/plucked';
export type { JobData, WorkContext, WorkStep } from './work';

/** Every guided job beside the change of strings. */
const ALL: readonly JobData[] = [
  ARRIVAL,
  ...MISHAP_JOBS,
  ...BODY_JOBS,
  ...STRING_JOBS,
  ...PLUCKED_JOBS,
  ...BOW_JOBS,
  FIT,
  ...SEASON_JOBS,
];
const BY_ID = new Map(ALL.map((job) => [job.id, job]));

/** One job. */
export const jobOf = (id: JobId): JobData => BY_ID.get(id)!;

type Whose = Pick<WorkContext, 'facts' | 'schools'>;

/** The jobs there are for an instrument. */
export function jobsFor({ facts, schools }: Whose): JobData[] {
  return JOBS.map(jobOf).filter((job) => applies(job.for, facts, schools));
}

/** The job that mends a cause, or looks into it; null where there is none for this instrument. */
export const jobForCause = (whose: Whose, cause: CauseId): JobData | null =>
  jobsFor(whose).find(({ mends }) => mends.includes(cause)) ?? null;

/** The piece of work under way on a job; null where there is none. */
export function workUnderWay({ works }: Pick<WorkContext['log'], 'works'>, job: JobId) {
  return works.findLast((work) => work.job === job && work.ended === null) ?? null;
}
