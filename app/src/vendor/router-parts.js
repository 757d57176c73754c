// Of what the router's navigation is made of, those parts the router uses; it reads and tells addresses in ways of its own.
const core = (name) => () => {
  throw new Error(`The router’s own ${name} is meant.`);
};

export { BaseNavigationContainer } from 'expo-router/build/react-navigation/core/BaseNavigationContainer';
export { createNavigatorFactory } from 'expo-router/build/react-navigation/core/createNavigatorFactory';
export { findFocusedRoute } from 'expo-router/build/react-navigation/core/findFocusedRoute';
export { getActionFromState } from 'expo-router/build/react-navigation/core/getActionFromState';
export { ThemeProvider } from 'expo-router/build/react-navigation/core/theming/ThemeProvider';
export { useNavigation } from 'expo-router/build/react-navigation/core/useNavigation';
export { useNavigationBuilder } from 'expo-router/build/react-navigation/core/useNavigationBuilder';
export { useNavigationContainerRef } from 'expo-router/build/react-navigation/core/useNavigationContainerRef';
export { useNavigationIndependentTree } from 'expo-router/build/react-navigation/core/useNavigationIndependentTree';
export { useRoute } from 'expo-router/build/react-navigation/core/useRoute';
export { useStateForPath } from 'expo-router/build/react-navigation/core/useStateForPath';
export { validatePathConfig } from 'expo-router/build/react-navigation/core/validatePathConfig';
export { LinkingContext } from 'expo-router/build/react-navigation/native/LinkingContext';
export { LocaleDirContext } from 'expo-router/build/react-navigation/native/LocaleDirContext';
export { DefaultTheme } from 'expo-router/build/react-navigation/native/theming/DefaultTheme';
export { UnhandledLinkingContext as UNSTABLE_UnhandledLinkingContext } from 'expo-router/build/react-navigation/native/UnhandledLinkingContext';
export { CommonActions, StackActions, StackRouter } from 'expo-router/build/react-navigation/routers';
export const getStateFromPath = core('getStateFromPath');
export const getPathFromState = core('getPathFromState');
