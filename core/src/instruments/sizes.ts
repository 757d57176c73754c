import type { BodyFacts, Built, SizeFacts, VariantRecord } from './family';

/** The vibrating length of a size; of the usual one where no size was said. */
export function lengthBySize(sizes: Readonly<Record<string, SizeFacts>>): VariantRecord['lengthMm'] {
  const usual = Object.values(sizes)[0]!.lengthMm;
  return ({ size }) => sizes[size ?? '']?.lengthMm ?? usual;
}

/** The vibrating length by the length of the body; by the size where only that was said. */
export function lengthByBody(
  { stringShare }: BodyFacts,
  sizes: Readonly<Record<string, SizeFacts>>,
): VariantRecord['lengthMm'] {
  const bySize = lengthBySize(sizes);
  return (built, note) => (built.bodyMm === null ? bySize(built, note) : Math.round(built.bodyMm * stringShare));
}

/**
 * The widest place of a body against the usual one's, by its length or its size.
 * @returns null where nobody has given it for this size
 */
export function bodyScale(
  { sizes, body }: { sizes: Readonly<Record<string, SizeFacts>> | null; body: BodyFacts | null },
  built: Built,
): number | null {
  if (body && built.bodyMm !== null) return built.bodyMm / body.usualMm;
  const size = sizes?.[built.size ?? ''];
  return size ? size.bodyScale : 1;
}
