// Figures are written by the app's own copy: scales need not write them.
const none = () => undefined;

export const format = none;
export const formatPrefix = none;
export const formatSpecifier = none;
export const precisionFixed = none;
export const precisionPrefix = none;
export const precisionRound = none;
