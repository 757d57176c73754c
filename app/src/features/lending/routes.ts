import { lazily } from '@/ui/lazily';

/** Lending and the cupboard, in one file with what else weighs up the whole of a life. */
const load = () => import('../jobs/work-pages');

export const CupboardScreen = lazily(load, (pages) => pages.CupboardScreen);
export const LoanRoute = lazily(load, (pages) => pages.LoanRoute);
export const WorkScreen = lazily(load, (pages) => pages.WorkScreen);
/** What would be told, where nobody is. */
export const WouldBe = lazily(load, (pages) => pages.WouldBe);
