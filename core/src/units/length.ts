/** Millimetres in an inch. Exact by definition. */
export const MM_PER_INCH = 25.4;

/**
 * Thousandths of an inch, as guitar strings are sold. @returns mm
 * @example mmOfThousandths(10) // 0.254
 */
export const mmOfThousandths = (thousandths: number): number => (thousandths * MM_PER_INCH) / 1000;
