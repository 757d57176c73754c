import { lazyPage } from '@/ui/lazily';

/** The pages of the account, of people and of schools, in a file of their own: they are opened once in months. */
const load = () => import('./account-pages');

export const AccountScreen = lazyPage(load, (pages) => pages.AccountScreen);
export const AccountChange = lazyPage(load, (pages) => pages.AccountChange);
export const AddPerson = lazyPage(load, (pages) => pages.AddPerson);
export const Confirm = lazyPage(load, (pages) => pages.Confirm);
export const Forgotten = lazyPage(load, (pages) => pages.Forgotten);
export const HouseholdSchools = lazyPage(load, (pages) => pages.HouseholdSchools);
export const InstrumentSchools = lazyPage(load, (pages) => pages.InstrumentSchools);
export const Join = lazyPage(load, (pages) => pages.Join);
export const People = lazyPage(load, (pages) => pages.People);
export const PersonRoute = lazyPage(load, (pages) => pages.PersonRoute);
export const AnswerByLink = lazyPage(load, (pages) => pages.AnswerByLink);
export const RemindersScreen = lazyPage(load, (pages) => pages.RemindersScreen);
export const StandRoute = lazyPage(load, (pages) => pages.StandRoute);
export const Reset = lazyPage(load, (pages) => pages.Reset);
export const WaysRoute = lazyPage(load, (pages) => pages.WaysRoute);
