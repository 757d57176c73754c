/** A parked car in the sun gets warmer than the day by about so much within the hour, °C. From memory. */
export const CAR_GAIN_C = 22;

/** Heat at which glue and varnish begin to soften, °C. From memory. */
export const GLUE_SOFTENS_C = 45;
