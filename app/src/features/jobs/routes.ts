import { lazily } from '@/ui/lazily';

/** The pages of jobs, of what is wrong and of what the workshop is told, in one file of their own: causes, looks and jobs are theirs alone. */
const load = () => import('./work-pages');

export const BriefRoute = lazily(load, (pages) => pages.BriefRoute);
export const CaseRoute = lazily(load, (pages) => pages.CaseRoute);
export const JobRoute = lazily(load, (pages) => pages.JobRoute);
export const Jobs = lazily(load, (pages) => pages.Jobs);
export const OpenTroubles = lazily(load, (pages) => pages.OpenTroubles);
export const WrongStart = lazily(load, (pages) => pages.WrongStart);
