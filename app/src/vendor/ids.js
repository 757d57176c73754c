/** The two kinds of ids in use, without the rest of their library. */
export { default as v5 } from '../../../node_modules/uuid/dist/esm-browser/v5.js';
export { default as v7 } from '../../../node_modules/uuid/dist/esm-browser/v7.js';
