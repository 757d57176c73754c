/** Dimensional change per percent of moisture, radial and tangential [Wood Handbook, table 13-5; values from memory]. */
export const SPECIES = {
  spruce: { name: 'Sitka spruce', radial: 0.00148, tangential: 0.00263 },
  engelmann: { name: 'Engelmann spruce', radial: 0.0013, tangential: 0.00248 },
  maple: { name: 'sugar maple', radial: 0.00165, tangential: 0.00353 },
  'red-maple': { name: 'red maple', radial: 0.00137, tangential: 0.00289 },
  // From memory: its total shrinkage of 2.7 and 5.8 % spread over 28 % of moisture.
  rosewood: { name: 'rosewood', radial: 0.00096, tangential: 0.00207 },
} as const;
export type Species = keyof typeof SPECIES;

/** How a board was sawn: across its width it moves radially (quarter) or tangentially (slab). */
export type Cut = 'quarter' | 'slab';

export const WOOD_PARTS = ['top', 'back', 'neck', 'fretboard'] as const;
export type WoodPartId = (typeof WOOD_PARTS)[number];

/** A wooden part whose moisture is followed. */
export interface WoodPart {
  id: WoodPartId;
  species: Species;
  cut: Cut;
  /** Across the grain, mm. */
  widthMm: number;
  /** The width is that of the usual size: nobody has given one for this size. */
  widthOfUsualSize: boolean;
  /** Time constants of its lag behind the air round the instrument, in days. */
  bareDays: number;
  casedDays: number;
}

/** Thin plates follow in 1–3 days bare and 1–2 weeks in a closed case [handbook 3, from memory]; necks, being thick, later. */
export const WOOD_LAGS: Readonly<Record<WoodPartId, Pick<WoodPart, 'bareDays' | 'casedDays'>>> = {
  top: { bareDays: 2, casedDays: 10 },
  back: { bareDays: 3, casedDays: 11 },
  neck: { bareDays: 9, casedDays: 20 },
  fretboard: { bareDays: 5, casedDays: 14 },
};

/** One wooden part of a family as it usually is, at its usual size. */
export type WoodFacts = Pick<WoodPart, 'id' | 'species' | 'cut' | 'widthMm'>;

/** Widest place of body, neck and board of the usual size, mm. */
interface Widths {
  body: number;
  neck: number;
  /** null where there is no board. */
  board: number | null;
}

/** A quarter-sawn spruce top, maple back and neck, a dark hardwood board: how instruments are usually made. */
export function usualWood({ body, neck, board }: Widths, backCut: Cut = 'quarter'): readonly WoodFacts[] {
  return [
    { id: 'top', species: 'spruce', cut: 'quarter', widthMm: body },
    { id: 'back', species: 'maple', cut: backCut, widthMm: body },
    ...neckWood({ neck, board }),
  ];
}

/** Neck and board alone: what moves on a solid body. */
export function neckWood({ neck, board }: Omit<Widths, 'body'>): readonly WoodFacts[] {
  return [
    { id: 'neck', species: 'maple', cut: 'slab', widthMm: neck },
    ...(board === null ? [] : [{ id: 'fretboard', species: 'rosewood', cut: 'quarter', widthMm: board } as const]),
  ];
}
