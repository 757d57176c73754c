import { unstable_createElement } from 'react-native-web';
import { RADIUS, usePalette } from './theme';

interface PictureProps {
  url: string;
  /** What it shows, for who does not see it. */
  label: string;
  width: number | `${number}%`;
  height: number;
  /** All of it, with room beside it; otherwise its middle fills the frame. */
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
      width,
      height,
      display: 'block',
      objectFit: whole ? 'contain' : 'cover',
      backgroundColor: surface,
      borderRadius: RADIUS,
    },
  });
}
