import { useLayoutEffect, useRef, useState } from 'react';
import type { LayoutChangeEvent, View } from 'react-native';

/**
 * How wide something is.
 * @param first what is taken until it is measured
 * @param early known before it is painted the first time, at the price of drawing twice at once: for what is as high as it is drawn, and
 * would move what follows by coming later
 * @returns px, and what the measured view is given
 */
export function useWidth(first = 0, early = false) {
  const [width, setWidth] = useState(first);
  const ref = useRef<View>(null);
  useLayoutEffect(() => {
    const { offsetWidth = 0 } = (ref.current ?? {}) as { offsetWidth?: number };
    if (early && offsetWidth > 0) setWidth(offsetWidth);
  }, [early]);
  const onLayout = ({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width);
  return [width, { ref, onLayout }] as const;
}
