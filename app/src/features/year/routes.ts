import { lazyPage } from '@/ui/lazily';

/** The pages of the year, in a file of their own. */
const load = () => import('./year-pages');

export const Calendar = lazyPage(load, (pages) => pages.Calendar);
export const Costs = lazyPage(load, (pages) => pages.Costs);
export const Records = lazyPage(load, (pages) => pages.Records);
export const YearRoute = lazyPage(load, (pages) => pages.YearRoute);
