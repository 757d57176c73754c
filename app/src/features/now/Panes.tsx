import type { Instrument } from '@tembrin/contract';
import type { ReactNode } from 'react';
import { PartScreen } from '../kit/kit-routes';
import type { PartId } from '@tembrin/core/parts';
import { Scroll, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/panes';

interface PanesProps {
  first: ReactNode;
  due: ReactNode;
  instrument: Instrument;
  /** Part whose working is open; the list of what is due otherwise. */
  part: PartId | null;
}

/** A wide stand: the instrument on the left, on the right what is due or the working of one part. */
export function Panes({ first, due, instrument, part }: PanesProps) {
  return (
    <Row grow>
      <Stack grow>{first}</Stack>
      <Stack grow rule="left">
        {part ? (
          <PartScreen key={part} instrument={instrument} part={part} back="/now" second />
        ) : (
          <Scroll role="complementary" aria-label={copy.whatIsDue} pad="two">
            {due}
          </Scroll>
        )}
      </Stack>
    </Row>
  );
}
