// Of the router what the app uses: its menus, previews, tabs and headers stay outside.
import { BaseExpoRouterLink } from 'expo-router/build/link/BaseExpoRouterLink';

export { useLocalSearchParams } from 'expo-router/build/hooks/useLocalSearchParams';
export { usePathname } from 'expo-router/build/hooks/usePathname';
export { router } from 'expo-router/build/imperative-api';
export { Redirect } from 'expo-router/build/link/Redirect';
export { Navigator, Slot } from 'expo-router/build/views/Navigator';
export const Link = BaseExpoRouterLink;
