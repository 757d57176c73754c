export { AccountScreen } from './AccountScreen';
export { AccountChange } from './Changes';
export { AddPerson, PersonRoute } from '../people/PersonScreen';
export { Confirm, Forgotten, Reset } from './ByLink';
export { Join } from '../people/Join';
export { AnswerByLink } from '../reminders/AnswerByLink';
export { RemindersScreen } from '../reminders/RemindersScreen';
export { People } from '../people/People';
export { StandRoute } from '../lending/StandRoute';
