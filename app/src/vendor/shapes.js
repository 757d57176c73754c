/** The functions in use, without the rest of their libraries. */
export { default as area } from '../../../node_modules/d3-shape/src/area.js';
export { default as line } from '../../../node_modules/d3-shape/src/line.js';
