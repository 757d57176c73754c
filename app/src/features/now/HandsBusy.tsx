import { inUnits } from '@/copy/measures';
import { Button } from '@/ui/Button';
import { becauseWords } from '@/copy/because';
import type { StepActions } from './step-actions';
import { Progress } from './StepView';
import { HandsBusyView } from '../hands-busy';
import { copy } from '@/copy/screens/now/hands-busy';

/** The closing round for full hands: a tap anywhere goes on. */
export function HandsBusy({ round, done, skip, undo, undoTitle, later }: StepActions) {
  const { steps, records, next, behind } = round;
  return (
    <HandsBusyView
      documentTitle={copy.closingRoundTembrin}
      title={inUnits(next.data.title)}
      how={next.data.how.map(inUnits)}
      because={next.because && becauseWords(next.because)}
      caution={next.data.caution}
      progress={<Progress steps={steps} records={records} at={behind} />}
      tap={copy.tapAnywhereDone}
      onTap={done}
      later={later}
    >
      <Button rank="plain" title={undoTitle} onPress={undo} hotkey="u" maxWidth={340} grow />
      <Button rank="outline" title="Skip" onPress={skip} hotkey="k" maxWidth={340} grow />
    </HandsBusyView>
  );
}
