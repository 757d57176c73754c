import { Picture } from '@/ui/Picture';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/photo/photos';
import { usePhoto } from './use-photo';

interface PhotoTileProps {
  instrumentId: string;
  photo: string;
  label: string;
  width: number;
  height: number;
  whole?: boolean;
}

/** A kept photograph; or why it cannot be seen. */
export function PhotoTile({ instrumentId, photo, label, width, height, whole }: PhotoTileProps) {
  const sight = usePhoto(instrumentId, photo);
  if (sight.kind === 'here')
    return <Picture url={sight.url} label={label} width={width} height={height} whole={whole} />;
  return (
    <Stack width={width} height={height} framed round align="center" justify="center" pad="small" aria-label={label}>
      <Text kind="small" tone="quiet">
        {copy.sights[sight.kind]}
      </Text>
    </Stack>
  );
}
