import type { PlannedItem } from '@tembrin/core/year';

/** Names an item of the year in an address. */
export const keyOf = ({ instrumentId, part }: Pick<PlannedItem, 'instrumentId' | 'part'>) => `${instrumentId}~${part}`;
