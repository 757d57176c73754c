/** The one scale in use, without the rest of its library. */
export { default as scaleLinear } from '../../../node_modules/d3-scale/src/linear.js';
