import { lazily } from '@/ui/lazily';

/** The pages about strings, in one file of their own: sets and their make-up are theirs alone. */
const load = () => import('./strings-pages');

export const BrokenRoute = lazily(load, (pages) => pages.BrokenRoute);
export const ChangeRoute = lazily(load, (pages) => pages.ChangeRoute);
export const CompareRoute = lazily(load, (pages) => pages.CompareRoute);
export const SettleRoute = lazily(load, (pages) => pages.SettleRoute);
export const Spares = lazily(load, (pages) => pages.Spares);
export const StringsRoute = lazily(load, (pages) => pages.StringsRoute);
export const StrungRoute = lazily(load, (pages) => pages.StrungRoute);
export const FittedSheet = lazily(load, (pages) => pages.FittedSheet);
