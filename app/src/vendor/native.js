// Of React Native for the web what the router asks for: asked for by name, it would be all of it.
export { default as I18nManager } from 'react-native-web/dist/exports/I18nManager';
export { default as Platform } from 'react-native-web/dist/exports/Platform';
export { default as StyleSheet } from 'react-native-web/dist/exports/StyleSheet';
export { default as Text } from 'react-native-web/dist/exports/Text';
export { default as useColorScheme } from 'react-native-web/dist/exports/useColorScheme';
