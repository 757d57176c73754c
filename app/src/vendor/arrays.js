/** What the core and the scales use of their library of arrays. */
export { default as bisector } from '../../../node_modules/d3-array/src/bisector.js';
export { default as bisect, bisectLeft, bisectRight } from '../../../node_modules/d3-array/src/bisect.js';
export { default as mean } from '../../../node_modules/d3-array/src/mean.js';
export { default as quantile } from '../../../node_modules/d3-array/src/quantile.js';
export { default as ticks, tickIncrement, tickStep } from '../../../node_modules/d3-array/src/ticks.js';
