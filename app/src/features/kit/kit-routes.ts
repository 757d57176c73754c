import { lazily } from '@/ui/lazily';

/** The pages of instruments and of their bows and parts, in a file of their own: the first screen needs none of them. */
const load = () => import('./kit-pages');

export const AddInstrument = lazily(load, (pages) => pages.AddInstrument);
export const BowRoute = lazily(load, (pages) => pages.BowRoute);
export const BowsRoute = lazily(load, (pages) => pages.BowsRoute);
export const ChangeInstrument = lazily(load, (pages) => pages.ChangeInstrument);
export const HouseholdScreen = lazily(load, (pages) => pages.HouseholdScreen);
export const InstrumentRoute = lazily(load, (pages) => pages.InstrumentRoute);
export const InstrumentScreen = lazily(load, (pages) => pages.InstrumentScreen);
export const Kit = lazily(load, (pages) => pages.Kit);
export const PartScreen = lazily(load, (pages) => pages.PartScreen);
export const SessionScreen = lazily(load, (pages) => pages.SessionScreen);
export const SetUpRoute = lazily(load, (pages) => pages.SetUpRoute);
