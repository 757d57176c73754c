// Of the English locale what reads dates from words, or tells how long ago they were: dates are only written by it.
export const match = {};
export const formatDistance = () => '';
export const formatRelative = () => '';
