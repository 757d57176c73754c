export { FindingsRoute } from './FindingsScreen';
export { LookAgainRoute } from './LookAgain';
export { Looked } from './Looked';
export { LookRound } from './LookRound';
export { LookRoute } from './LookScreen';
export { LookStart } from './LookStart';
export { wholeLookOf } from './whole-look';
