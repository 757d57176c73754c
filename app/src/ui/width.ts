import { useLayoutEffect, useRef, useState } from 'react';
import type { LayoutChangeEvent, View } from 'react-native';

/**
 * How wide something is: known before it is painted the first time, so that what is drawn to its measure moves nothing by coming later.
 * @param first what is taken where nothing can be measured
 * @returns px, and what the measured view is given
 */
export function useWidth(first = 0) {
  const [width, setWidth] = useState(first);
  const ref = useRef<View>(null);
  useLayoutEffect(() => {
    const { offsetWidth = 0 } = (ref.current ?? {}) as { offsetWidth?: number };
    if (offsetWidth > 0) setWidth(offsetWidth);
  }, []);
  const onLayout = ({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width);
  return [width, { ref, onLayout }] as const;
}
