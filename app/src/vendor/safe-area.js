// In place of the library of safe areas, which measures the page as it opens: what a phone keeps for its own is left free by a page's style.
import { createElement } from 'react';
import View from 'react-native-web/dist/exports/View';

const FILL = { flex: 1 };
export const SafeAreaProvider = ({ children }) => createElement(View, { style: FILL }, children);
