import { lazyPage } from '@/ui/lazily';

/** The pages that bring files in, in one file of their own. */
const load = () => import('./intake-pages');

export const ImportRoute = lazyPage(load, (pages) => pages.ImportRoute);
export const Diary = lazyPage(load, (pages) => pages.Diary);
