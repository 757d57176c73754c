// The widgets' own icons, in fonts the app has none of: it draws its icons.
export const Icon = () => null;
export const registerCustomIconType = () => undefined;
export default Icon;
