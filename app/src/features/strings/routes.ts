import { lazily, lazyPage } from '@/ui/lazily';

/** The pages about strings, in one file of their own: sets and their make-up are theirs alone. */
const load = () => import('./strings-pages');

export const BrokenRoute = lazyPage(load, (pages) => pages.BrokenRoute);
export const ChangeRoute = lazyPage(load, (pages) => pages.ChangeRoute);
export const CompareRoute = lazyPage(load, (pages) => pages.CompareRoute);
export const SettleRoute = lazyPage(load, (pages) => pages.SettleRoute);
export const Spares = lazyPage(load, (pages) => pages.Spares);
export const StringsRoute = lazyPage(load, (pages) => pages.StringsRoute);
export const StrungRoute = lazyPage(load, (pages) => pages.StrungRoute);
export const FittedSheet = lazily(load, (pages) => pages.FittedSheet);
