export { Calendar } from './Calendar';
export { Costs } from './Costs';
export { Records } from './Records';
export { YearRoute } from './Year';
