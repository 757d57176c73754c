/** Newtons in one kilogram-force (standard gravity, exact by definition) and in one pound-force. */
export const NEWTONS_PER_KGF = 9.80665;
export const NEWTONS_PER_LBF = 4.4482216152605;
