import { useLog } from '@/state/log';
import { ProgressBar } from '@/ui/ProgressBar';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/log-coming';

/** How far a large log has come in. */
export function LogComing() {
  const percent = useLog(({ share }) => Math.floor((share ?? 1) * 100));
  return (
    <Stack gap="small" padX="one">
      <Text kind="small">{copy.theLogIsComing(percent)}</Text>
      <ProgressBar label={copy.theLog} percent={percent} />
    </Stack>
  );
}
