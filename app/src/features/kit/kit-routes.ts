import { lazily } from '@/ui/lazily';

/** The list of instruments and the page of one, in a file of their own: the first screen needs neither. */
const load = () => import('./kit-pages');

export const InstrumentRoute = lazily(load, (pages) => pages.InstrumentRoute);
export const InstrumentScreen = lazily(load, (pages) => pages.InstrumentScreen);
export const Kit = lazily(load, (pages) => pages.Kit);
