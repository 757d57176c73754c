import { lazyPage } from '@/ui/lazily';

/** The pages of the look-over, in one file of their own: guides and pictures are theirs alone. */
const load = () => import('./look-pages');

export const FindingsRoute = lazyPage(load, (pages) => pages.FindingsRoute);
export const LookAgainRoute = lazyPage(load, (pages) => pages.LookAgainRoute);
export const Looked = lazyPage(load, (pages) => pages.Looked);
export const LookRound = lazyPage(load, (pages) => pages.LookRound);
export const LookRoute = lazyPage(load, (pages) => pages.LookRoute);
export const LookStart = lazyPage(load, (pages) => pages.LookStart);
