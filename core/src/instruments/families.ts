import { bass } from './bass';
import { cello } from './cello';
import type { FamilyRecord, VariantRecord } from './family';
import { guitar } from './guitar';
import { harp } from './harp';
import { viola } from './viola';
import { violin } from './violin';

/** The families, each with everything that is known of it. */
const RECORDS = { violin, viola, cello, bass, guitar, harp };

export type Family = keyof typeof RECORDS;
export const FAMILIES = Object.keys(RECORDS) as [Family, ...Family[]];

/** Kinds of a family by the names of their records: `usual` where there is one that nobody names. */
export type VariantName<F extends Family> = F extends Family ? keyof (typeof RECORDS)[F]['variants'] : never;
/** A named kind of a family; what has only one kind has none. */
export type Kind = Exclude<VariantName<Family>, 'usual'>;
export const KINDS = [...new Set(Object.values(RECORDS).flatMap(({ variants }) => Object.keys(variants)))].filter(
  (name) => name !== 'usual',
) as [Kind, ...Kind[]];

/** Families that are played with a bow. */
export type BowedFamily = { [F in Family]: (typeof RECORDS)[F]['bow'] extends null ? never : F }[Family];

/** Everything that is known of a family. */
export function recordOf(family: Family): FamilyRecord {
  return RECORDS[family];
}

/** Named kinds of a family, the usual one first; none where there is only one. */
export function kindsOf(family: Family): readonly Kind[] {
  return Object.keys(RECORDS[family].variants).filter((name) => name !== 'usual') as Kind[];
}

/**
 * What is known of one kind. Where nobody has said which kind it is, the family's usual one is meant.
 * @param kind null where the family has none, or nobody said
 */
export function variantOf({ family, kind }: { family: Family; kind: Kind | null }): VariantRecord {
  return recordOf(family).variants[variantNameOf({ family, kind })]!;
}

/** Under which name a kind is kept: the family's usual one where nobody has said which it is. */
export function variantNameOf({ family, kind }: { family: Family; kind: Kind | null }): string {
  const names = Object.keys(recordOf(family).variants);
  return kind !== null && names.includes(kind) ? kind : names[0]!;
}

/** Named sizes of a family, the usual one first; none where size is not a choice. */
export function sizesOf(family: Family): readonly string[] {
  return Object.keys(recordOf(family).sizes ?? {});
}

/** Whether it is played with a bow: has hair, rosin and a stick to slacken. */
export function isBowed(family: Family): family is BowedFamily {
  return recordOf(family).bow !== null;
}

/** Families of which something holds, in their order. */
export function familiesWith(test: (record: FamilyRecord) => boolean): readonly Family[] {
  return FAMILIES.filter((family) => test(recordOf(family)));
}

export const BOWED = FAMILIES.filter(isBowed);
/** Held under the chin; stood on an endpin. */
export const CHIN_HELD = familiesWith(({ takes }) => takes.chin);
export const ON_ENDPIN = familiesWith(({ takes }) => takes.endpin);
