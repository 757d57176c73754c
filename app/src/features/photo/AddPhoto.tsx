import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/photo/photos';
import { copy as said } from '@/copy/screens/photo/measure';
import { useFileInput } from '../files/files';
import { NoPhoto, takePhoto } from './open-photo';

interface AddPhotoProps {
  title: string;
  rank: 'solid' | 'outline' | 'plain';
  /** Given the photograph as it is kept. */
  onPhoto: (bytes: Uint8Array) => void | Promise<void>;
}

/** Takes a photograph by the phone's camera or from a file, and makes it one that can be kept. */
export function AddPhoto({ title, rank, onPhoto }: AddPhotoProps) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    setProblem(null);
    setBusy(true);
    try {
      await onPhoto(await takePhoto(file));
    } catch (error) {
      setProblem(error instanceof NoPhoto ? error.message : said.notOpened);
    } finally {
      setBusy(false);
    }
  };
  const { element, open } = useFileInput(copy.file, 'image/*', (file) => void take(file));
  return (
    <Stack gap="hair">
      {element}
      <Button rank={rank} title={title} busy={busy} onPress={open} start={rank === 'plain'} flush={rank === 'plain'} />
      {problem !== null && (
        <Text kind="small" tone="now" role="alert">
          {problem}
        </Text>
      )}
    </Stack>
  );
}
