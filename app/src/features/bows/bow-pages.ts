export { BowRoute } from './BowScreen';
export { BowsRoute } from './Bows';
