import { unstable_createElement } from 'react-native-web';
import { RADIUS, usePalette } from './theme';

interface PictureProps {
  url: string;
  /** What it shows, for who does not see it. */
  label: string;
  width: number | `${number}%`;
  height: number;
  /** All of it, at most as large; otherwise its middle fills the frame. */
  whole?: boolean;
}

/** A photograph in its frame. */
export function Picture({ url, label, width, height, whole = false }: PictureProps) {
  const { surface } = usePalette();
  return unstable_createElement('img', {
    src: url,
    alt: label,
    draggable: false,
    style: {
      ...(whole ? { maxWidth: width, maxHeight: height } : { width, height, backgroundColor: surface }),
      display: 'block',
      objectFit: 'cover',
      borderRadius: RADIUS,
    },
  });
}
