import type { IntakeProgress } from '@tembrin/contract';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/layout';
import { Text } from '@/ui/Text';
import { INTAKE_COPY } from '@/copy/intake';
import { IntakeRunning } from './IntakeRunning';

interface IntakeHeadProps {
  about: string;
  file: File | null;
  problem: string | null;
  progress: IntakeProgress | null;
  /** Offers another file; null where that is what the foot does. */
  onAnother: (() => void) | null;
}

/** What stands above the columns of a file: what it should be, which was chosen, what went wrong, how far it is. */
export function IntakeHead({ about, file, problem, progress, onAnother }: IntakeHeadProps) {
  return (
    <>
      <Text tone="quiet">{about}</Text>
      {file && !progress && (
        <Row gap="half" align="center">
          <Text kind="strong" grow>
            {INTAKE_COPY.chosen(file.name, file.size)}
          </Text>
          {onAnother && <Button rank="plain" title={INTAKE_COPY.another} onPress={onAnother} />}
        </Row>
      )}
      {problem !== null && <Banner tone="now" text={problem} />}
      {progress?.state === 'running' && <IntakeRunning progress={progress} />}
    </>
  );
}
