export { BrokenRoute } from './BrokenScreen';
export { ChangeRoute } from './ChangeRoute';
export { CompareRoute } from './CompareScreen';
export { SettleRoute } from './SettleScreen';
export { Spares } from './Spares';
export { StringsRoute } from './StringsScreen';
export { StrungRoute } from './StrungForm';
export { FittedSheet } from '../part/FittedSheet';
