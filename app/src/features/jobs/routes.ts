import { lazily } from '@/ui/lazily';

/** The pages of jobs, of what is wrong of what the workshop is told and of visits there, in one file of their own: causes, looks and jobs are theirs alone. */
const load = () => import('./work-pages');

export const AtWorkshop = lazily(load, (pages) => pages.AtWorkshop);
export const BriefRoute = lazily(load, (pages) => pages.BriefRoute);
export const CaseRoute = lazily(load, (pages) => pages.CaseRoute);
export const JobRoute = lazily(load, (pages) => pages.JobRoute);
export const Jobs = lazily(load, (pages) => pages.Jobs);
export const OpenTroubles = lazily(load, (pages) => pages.OpenTroubles);
export const WrongStart = lazily(load, (pages) => pages.WrongStart);
export const Contacts = lazily(load, (pages) => pages.Contacts);
export const VisitRoute = lazily(load, (pages) => pages.VisitRoute);
export const Visits = lazily(load, (pages) => pages.Visits);
export const GiveRoute = lazily(load, (pages) => pages.GiveRoute);
export const GivenRoute = lazily(load, (pages) => pages.GivenRoute);
export const IdentityRoute = lazily(load, (pages) => pages.IdentityRoute);
export const PassportRoute = lazily(load, (pages) => pages.PassportRoute);
export const Take = lazily(load, (pages) => pages.Take);
