import type { SizeFacts, VariantRecord } from './family';

/** The vibrating length of a size; of the usual one where no size was said. */
export function lengthBySize(sizes: Readonly<Record<string, SizeFacts>>): VariantRecord['lengthMm'] {
  const usual = Object.values(sizes)[0]!.lengthMm;
  return (size) => sizes[size ?? '']?.lengthMm ?? usual;
}
