import { lazily } from '@/ui/lazily';

/** The pages of bows, in a file of their own. */
const load = () => import('./bow-pages');

export const BowRoute = lazily(load, (pages) => pages.BowRoute);
export const BowsRoute = lazily(load, (pages) => pages.BowsRoute);
