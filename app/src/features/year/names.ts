import { subjectOf } from '@tembrin/core/parts';
import type { PlannedItem } from '@tembrin/core/year';

/** Names an item of the year in an address. */
export const keyOf = (item: Pick<PlannedItem, 'instrumentId' | 'bowId' | 'part'>) => `${subjectOf(item)}~${item.part}`;
