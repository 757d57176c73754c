/** The functions the core uses, without the rest of their library. */
export { default as errorFunction } from '../../../node_modules/simple-statistics/src/error_function.js';
export { default as linearRegression } from '../../../node_modules/simple-statistics/src/linear_regression.js';
export { default as mean } from '../../../node_modules/simple-statistics/src/mean.js';
export { default as median } from '../../../node_modules/simple-statistics/src/median.js';
export { default as probit } from '../../../node_modules/simple-statistics/src/probit.js';
