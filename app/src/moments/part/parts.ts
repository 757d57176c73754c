import type { PartId } from '@tembrin/core';
import { PART_NAMES } from '@/words/names';

export function isPart(text: string | undefined): text is PartId {
  return text !== undefined && Object.hasOwn(PART_NAMES, text);
}
