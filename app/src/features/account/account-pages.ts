export { AccountScreen } from './AccountScreen';
export { Confirm, Forgotten, Reset } from './ByLink';
export { AddPasskey, ChangeAddress, ChangePassword, LeaveForGood } from './Changes';
