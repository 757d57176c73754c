import { lazily, lazyPage } from '@/ui/lazily';

/** Lending and the cupboard, in one file with what else weighs up the whole of a life. */
const load = () => import('../jobs/work-pages');

export const CupboardScreen = lazyPage(load, (pages) => pages.CupboardScreen);
export const LoanRoute = lazyPage(load, (pages) => pages.LoanRoute);
export const WorkScreen = lazyPage(load, (pages) => pages.WorkScreen);
/** What would be told, where nobody is. */
export const WouldBe = lazily(load, (pages) => pages.WouldBe);
