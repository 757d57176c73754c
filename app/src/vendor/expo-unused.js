// What the router asks of a phone's own system: in a browser there is none. Its settings are the usual ones.
export const Platform = { OS: 'web' };
export const IS_DOM = false;
export const requireOptionalNativeModule = () => null;
export const addGlobalDomEventListener = () => () => undefined;
export const addEventListener = () => ({ remove: () => undefined });
export const getLinkingURL = () => window.location.href;
export const createURL = (path) => new URL(path, window.location.href).href;
export const openURL = async (url) => window.location.assign(url);
export const initScreensFeatureFlags = () => undefined;
export const useDomComponentNavigation = () => undefined;
export default { expoConfig: null };
