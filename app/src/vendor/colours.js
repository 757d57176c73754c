// Scales here run between numbers: what they could do with colours is not loaded.
export const color = () => null;
export const rgb = color;
export const hsl = color;
export const lab = color;
export const hcl = color;
export const cubehelix = color;
