/** The six families, as data. Tunings are listed from the lowest string to the highest [handbook 4]. */
export const FAMILIES = ['violin', 'viola', 'cello', 'bass', 'guitar', 'harp'] as const;
export type Family = (typeof FAMILIES)[number];

/** Held under the chin; stood on an endpin; both. */
export const VIOLINS: readonly Family[] = ['violin', 'viola'];
export const LARGE: readonly Family[] = ['cello', 'bass'];
export const BOWED: readonly Family[] = [...VIOLINS, ...LARGE];

export const KINDS = ['steel', 'classical', 'electric', 'lever', 'pedal'] as const;
export type Kind = (typeof KINDS)[number];

export const CASES = ['hard', 'soft', 'none'] as const;
export type CaseKind = (typeof CASES)[number];

/** A rest with feet, a pad held by a band, or none. */
export const RESTS = ['rest', 'pad', 'none'] as const;
export type RestKind = (typeof RESTS)[number];

/** varnish: as on bowed instruments; hard: modern hard finish; lacquer: thin lacquer; valuable: old or valuable, whatever it is. */
export const FINISHES = ['varnish', 'hard', 'lacquer', 'valuable'] as const;
export type Finish = (typeof FINISHES)[number];

export interface FamilyFacts {
  /** Played with a bow: has hair, rosin and a stick to slacken. */
  bowed: boolean;
  kinds: readonly Kind[];
  /** Named sizes, the usual one first; empty where size is not a choice. */
  sizes: readonly string[];
  /** Names of the strings, lowest first; empty for a harp, whose strings are counted. */
  strings: readonly string[];
  stringCount: number;
  /** Takes a shoulder rest. */
  shoulderRest: boolean;
  /** Stands on an endpin. */
  endpin: boolean;
  case: CaseKind;
  finish: Finish;
}

const bowed = {
  bowed: true,
  kinds: [],
  stringCount: 4,
  case: 'hard',
  endpin: false,
  finish: 'varnish',
} as const;

export const FAMILY_FACTS: Readonly<Record<Family, FamilyFacts>> = {
  violin: {
    ...bowed,
    sizes: ['4/4', '3/4', '1/2', '1/4', '1/8', '1/16'],
    strings: ['G', 'D', 'A', 'E'],
    shoulderRest: true,
  },
  viola: {
    ...bowed,
    sizes: ['4/4', '3/4', '1/2', '1/4'],
    strings: ['C', 'G', 'D', 'A'],
    shoulderRest: true,
  },
  cello: {
    ...bowed,
    sizes: ['4/4', '3/4', '1/2', '1/4', '1/8'],
    strings: ['C', 'G', 'D', 'A'],
    shoulderRest: false,
    endpin: true,
    case: 'soft',
  },
  bass: {
    ...bowed,
    sizes: ['3/4', '4/4', '1/2', '1/4'],
    strings: ['E', 'A', 'D', 'G'],
    shoulderRest: false,
    endpin: true,
    case: 'soft',
  },
  guitar: {
    bowed: false,
    kinds: ['steel', 'classical', 'electric'],
    sizes: ['4/4', '3/4', '1/2'],
    strings: ['E', 'A', 'D', 'G', 'B', 'high E'],
    stringCount: 6,
    shoulderRest: false,
    endpin: false,
    case: 'hard',
    finish: 'hard',
  },
  harp: {
    bowed: false,
    kinds: ['lever', 'pedal'],
    sizes: [],
    strings: [],
    stringCount: 34,
    shoulderRest: false,
    endpin: false,
    case: 'none',
    finish: 'lacquer',
  },
};

/** Strings a harp commonly has: 47 on a pedal harp; 34 is the common lever harp [handbook 4]. */
export const HARP_STRINGS: Readonly<Record<'lever' | 'pedal', number>> = { lever: 34, pedal: 47 };
