import { lazyPage } from '@/ui/lazily';

/** The pages of instruments and of their bows and parts, in a file of their own: the first screen needs none of them. */
const load = () => import('./kit-pages');

export const AddInstrument = lazyPage(load, (pages) => pages.AddInstrument);
export const BowRoute = lazyPage(load, (pages) => pages.BowRoute);
export const BowsRoute = lazyPage(load, (pages) => pages.BowsRoute);
export const ChangeInstrument = lazyPage(load, (pages) => pages.ChangeInstrument);
export const HouseholdScreen = lazyPage(load, (pages) => pages.HouseholdScreen);
export const InstrumentRoute = lazyPage(load, (pages) => pages.InstrumentRoute);
export const InstrumentScreen = lazyPage(load, (pages) => pages.InstrumentScreen);
export const Kit = lazyPage(load, (pages) => pages.Kit);
export const PartScreen = lazyPage(load, (pages) => pages.PartScreen);
export const SessionScreen = lazyPage(load, (pages) => pages.SessionScreen);
export const SetUpRoute = lazyPage(load, (pages) => pages.SetUpRoute);
