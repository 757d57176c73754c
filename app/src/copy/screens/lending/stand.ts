/** What the page behind a label says where it cannot open. */
export const copy = {
  title: 'A label',
  notHere: 'Not one of yours',
  notHereText:
    'The instrument on this label is not in the household that is open here, or is not yours to see. Ask whoever keeps it, or open the other household under People.',
} as const;
