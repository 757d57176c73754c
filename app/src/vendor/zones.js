/** What is used of the library of time zones, each part by itself. */
export { TZDate } from '../../../node_modules/@date-fns/tz/date/index.js';
export { tz } from '../../../node_modules/@date-fns/tz/tz/index.js';
export { tzOffset } from '../../../node_modules/@date-fns/tz/tzOffset/index.js';
