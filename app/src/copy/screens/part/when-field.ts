export const AGO = [
  { value: '0', title: 'Today' },
  { value: '1', title: 'A month ago' },
  { value: '3', title: '3 months' },
  { value: '6', title: '6 months' },
  { value: '12', title: 'A year' },
  { value: '24', title: '2 years' },
  { value: 'date', title: 'On a date' },
];

export const UNKNOWN = { value: 'unknown', title: 'Don’t know' };
