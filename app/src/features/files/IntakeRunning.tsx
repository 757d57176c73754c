import type { IntakeProgress } from '@tembrin/contract';
import { ProgressBar } from '@/ui/ProgressBar';
import { Text } from '@/ui/Text';
import { INTAKE_COPY, progressShare, progressTitle } from '@/copy/intake';
import { Stack } from '@/ui/layout';

/** How far an import is. */
export function IntakeRunning({ progress }: { progress: IntakeProgress }) {
  const percent = Math.round(progressShare(progress) * 100);
  return (
    <Stack gap="small">
      <Text kind="title" level={2}>
        {progressTitle(progress)}
      </Text>
      <ProgressBar label={INTAKE_COPY.progress} percent={percent} />
      <Text kind="small" tone="quiet">
        {INTAKE_COPY.untilThen}
      </Text>
    </Stack>
  );
}
