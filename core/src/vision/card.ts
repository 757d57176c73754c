/** A bank-size card, mm [ISO/IEC 7810, ID-1]: the long edge and the short one; its corners are rounded. */
export const CARD_MM = { long: 85.6, short: 53.98, corner: 3.18 } as const;
