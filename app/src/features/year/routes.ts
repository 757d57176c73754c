import { lazily } from '@/ui/lazily';

/** The pages of the year, in a file of their own. */
const load = () => import('./year-pages');

export const Calendar = lazily(load, (pages) => pages.Calendar);
export const Costs = lazily(load, (pages) => pages.Costs);
export const Records = lazily(load, (pages) => pages.Records);
export const YearRoute = lazily(load, (pages) => pages.YearRoute);
