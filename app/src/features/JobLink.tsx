import { LinkRow } from '@/ui/LinkRow';
import { copy } from '@/copy/screens/job-link';
import { JOB_TITLES, type JobId } from '@tembrin/core/guided';

/** The guided job that answers something. */
export function JobLink({ job, instrumentId }: { job: JobId; instrumentId: string }) {
  return (
    <LinkRow
      href={{ pathname: '/bench/jobs/[job]', params: { job, id: instrumentId } }}
      title={copy.job(JOB_TITLES[job])}
    />
  );
}
