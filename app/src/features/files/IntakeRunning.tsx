import type { IntakeProgress } from '@tembrin/contract';
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
      <Stack
        role="progressbar"
        aria-label={INTAKE_COPY.progress}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        height={6}
        ground="line"
      >
        <Stack width={`${percent}%`} height={6} ground="accent" />
      </Stack>
      <Text kind="small" tone="quiet">
        {INTAKE_COPY.untilThen}
      </Text>
    </Stack>
  );
}
