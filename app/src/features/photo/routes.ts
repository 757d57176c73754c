import { lazily, lazyPage } from '@/ui/lazily';

/** The pages on which this device measures and photographs are seen, in one file of their own. */
const load = () => import('./measuring-pages');

export const Gauge = lazyPage(load, (pages) => pages.Gauge);
export const MeasurePhoto = lazyPage(load, (pages) => pages.MeasurePhoto);
export const Photos = lazyPage(load, (pages) => pages.Photos);
export const PhotoChoice = lazily(load, (pages) => pages.PhotoChoice);
export const StateRoute = lazyPage(load, (pages) => pages.StateRoute);
export const LookPhoto = lazily(load, (pages) => pages.LookPhoto);
