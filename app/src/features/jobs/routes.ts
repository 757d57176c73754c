import { lazyPage } from '@/ui/lazily';

/** The pages of jobs, of what is wrong of what the workshop is told and of visits there, in one file of their own: causes, looks and jobs are theirs alone. */
const load = () => import('./work-pages');

export const AtWorkshop = lazyPage(load, (pages) => pages.AtWorkshop);
export const BriefRoute = lazyPage(load, (pages) => pages.BriefRoute);
export const CaseRoute = lazyPage(load, (pages) => pages.CaseRoute);
export const JobRoute = lazyPage(load, (pages) => pages.JobRoute);
export const Jobs = lazyPage(load, (pages) => pages.Jobs);
export const OpenTroubles = lazyPage(load, (pages) => pages.OpenTroubles);
export const WrongStart = lazyPage(load, (pages) => pages.WrongStart);
export const Contacts = lazyPage(load, (pages) => pages.Contacts);
export const VisitRoute = lazyPage(load, (pages) => pages.VisitRoute);
export const Visits = lazyPage(load, (pages) => pages.Visits);
export const GiveRoute = lazyPage(load, (pages) => pages.GiveRoute);
export const GivenRoute = lazyPage(load, (pages) => pages.GivenRoute);
export const IdentityRoute = lazyPage(load, (pages) => pages.IdentityRoute);
export const PassportRoute = lazyPage(load, (pages) => pages.PassportRoute);
export const Take = lazyPage(load, (pages) => pages.Take);
