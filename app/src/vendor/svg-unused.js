// Parts of the drawing library that read SVG from text and from the net; here drawings are written as components.
const none = () => null;

export const camelCase = none;
export const fetchText = none;
export const parse = none;
export const SvgAst = none;
export const SvgFromUri = none;
export const SvgFromXml = none;
export const SvgUri = none;
export const SvgXml = none;
export const inlineStyles = none;
export const loadLocalRawResource = none;
export const LocalSvg = none;
export const SvgCss = none;
export const SvgCssUri = none;
export const SvgWithCss = none;
export const SvgWithCssUri = none;
export const WithLocalSvg = none;
export const transformToMatrix = none;
export const props2transform = none;
export const stringifyTransformArrayProps = () => {
  throw new Error('A transform is written as text.');
};
export default none;
