import { lazily } from '@/ui/lazily';

/** Adding an instrument and changing what it is, in a file of their own: they ask the same. */
const load = () => import('./facts-pages');

export const AddInstrument = lazily(load, (pages) => pages.AddInstrument);
export const ChangeInstrument = lazily(load, (pages) => pages.ChangeInstrument);
