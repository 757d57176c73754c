import { PART_NAMES } from '@/copy/names';
import type { PartId } from '@tembrin/core/parts';

export function isPart(text: string | undefined): text is PartId {
  return text !== undefined && Object.hasOwn(PART_NAMES, text);
}
