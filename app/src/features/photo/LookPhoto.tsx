import { useEffect, useMemo } from 'react';
import { Button } from '@/ui/Button';
import { Picture } from '@/ui/Picture';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/photo/photos';
import { AddPhoto } from './AddPhoto';

export interface LookPhotoProps {
  /** The photograph that goes with the answer. */
  photo: Uint8Array | null;
  onPhoto: (photo: Uint8Array | null) => void;
}

/** A photograph that goes with a look, before it is answered. */
export function LookPhoto({ photo, onPhoto }: LookPhotoProps) {
  const url = useMemo(
    () => photo && URL.createObjectURL(new Blob([photo as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' })),
    [photo],
  );
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  if (!url) return <AddPhoto title={copy.add} rank="plain" onPhoto={onPhoto} />;
  return (
    <Row gap="small" align="center">
      <Picture url={url} label={copy.chosen} width={92} height={69} />
      <Stack>
        <AddPhoto title={copy.another} rank="plain" onPhoto={onPhoto} />
        <Button rank="plain" title={copy.noPhoto} onPress={() => onPhoto(null)} start flush />
      </Stack>
    </Row>
  );
}
