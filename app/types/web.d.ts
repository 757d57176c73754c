declare module 'react-native-web' {
  import type { ReactElement } from 'react';
  /** Makes an element of the page itself, for the controls a browser brings along. */
  export function unstable_createElement(tag: string, props: Record<string, unknown>): ReactElement;
}
