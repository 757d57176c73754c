import { usePreferences } from '@/state/preferences';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/jobs/jobs';
import type { NextSize } from '@tembrin/core/jobs';

/** A child's next size, where an arm is on record. */
export function Size({ size, moment }: { size: NextSize | null; moment: { nowMs: number; timeZone: string } }) {
  const lengths = usePreferences((state) => state.lengths);
  if (!size) return null;
  const [now, ...then] = copy.size(size, moment, lengths);
  return (
    <Stack gap="hair" mark padLeft="half" role="status">
      <Text kind="smallStrong">{copy.sizeTitle}</Text>
      <Text kind="heading">{now}</Text>
      {then.map((sentence) => (
        <Text key={sentence}>{sentence}</Text>
      ))}
    </Stack>
  );
}
