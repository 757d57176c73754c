// Of the platform's library what a page in a browser needs: how it begins, and how files are loaded.
export { default as registerRootComponent } from '../../../node_modules/expo/src/launch/registerRootComponent.web.tsx';
export const requireOptionalNativeModule = () => null;
