import { lazily } from '@/ui/lazily';

/** The pages that bring files in, in one file of their own. */
const load = () => import('./intake-pages');

export const ImportRoute = lazily(load, (pages) => pages.ImportRoute);
export const Diary = lazily(load, (pages) => pages.Diary);
