/** What more than one screen says. */
export const PUT_ON_RECORD = 'Put it on record';
export const FETCHING_LOG = 'Fetching the log …';
export const WAITING = 'Working it out …';
export const TOUCH_CHART = 'Touch the chart to read a day.';
export const UNDO_LAST = 'Undo what was just done';
