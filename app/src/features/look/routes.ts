import { lazily } from '@/ui/lazily';

/** The pages of the look-over, in one file of their own: guides and pictures are theirs alone. */
const load = () => import('./look-pages');

export const FindingsRoute = lazily(load, (pages) => pages.FindingsRoute);
export const LookAgainRoute = lazily(load, (pages) => pages.LookAgainRoute);
export const Looked = lazily(load, (pages) => pages.Looked);
export const LookRound = lazily(load, (pages) => pages.LookRound);
export const LookRoute = lazily(load, (pages) => pages.LookRoute);
export const LookStart = lazily(load, (pages) => pages.LookStart);
