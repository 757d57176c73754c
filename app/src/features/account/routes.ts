import { lazily } from '@/ui/lazily';

/** The pages of the account, in a file of their own: they are opened once in months. */
const load = () => import('./account-pages');

export const AccountScreen = lazily(load, (pages) => pages.AccountScreen);
export const AddPasskey = lazily(load, (pages) => pages.AddPasskey);
export const ChangeAddress = lazily(load, (pages) => pages.ChangeAddress);
export const ChangePassword = lazily(load, (pages) => pages.ChangePassword);
export const Confirm = lazily(load, (pages) => pages.Confirm);
export const Forgotten = lazily(load, (pages) => pages.Forgotten);
export const LeaveForGood = lazily(load, (pages) => pages.LeaveForGood);
export const Reset = lazily(load, (pages) => pages.Reset);
