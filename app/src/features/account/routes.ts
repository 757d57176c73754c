import { lazily } from '@/ui/lazily';

/** The pages of the account, of people and of schools, in a file of their own: they are opened once in months. */
const load = () => import('./account-pages');

export const AccountScreen = lazily(load, (pages) => pages.AccountScreen);
export const AccountChange = lazily(load, (pages) => pages.AccountChange);
export const AddPerson = lazily(load, (pages) => pages.AddPerson);
export const Confirm = lazily(load, (pages) => pages.Confirm);
export const Forgotten = lazily(load, (pages) => pages.Forgotten);
export const HouseholdSchools = lazily(load, (pages) => pages.HouseholdSchools);
export const InstrumentSchools = lazily(load, (pages) => pages.InstrumentSchools);
export const Join = lazily(load, (pages) => pages.Join);
export const People = lazily(load, (pages) => pages.People);
export const PersonRoute = lazily(load, (pages) => pages.PersonRoute);
export const AnswerByLink = lazily(load, (pages) => pages.AnswerByLink);
export const RemindersScreen = lazily(load, (pages) => pages.RemindersScreen);
export const StandRoute = lazily(load, (pages) => pages.StandRoute);
export const Reset = lazily(load, (pages) => pages.Reset);
export const WaysRoute = lazily(load, (pages) => pages.WaysRoute);
