import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import type { BegunCopy } from '@/copy/parts';
import { WhenField } from './WhenField';
import { whenToMs, type When } from './when';
import type { PartEntry } from '@tembrin/core/parts';
import { PUT_ON_RECORD } from '@/copy/common';

interface DoneSheetProps {
  instrument: Instrument;
  begun: Pick<BegunCopy, 'title' | 'question' | 'recorded'>;
  /** What is put on record. */
  entry: PartEntry;
  nowMs: number;
  /** It was done before, and only its date is asked for. */
  asked: boolean;
  onClose: () => void;
}

/** Records that something was done, and when. */
export function DoneSheet({ instrument, begun, entry, nowMs, asked, onClose }: DoneSheetProps) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const [when, setWhen] = useState<When>(asked ? { kind: 'unsaid' } : { kind: 'ago', months: 0 });
  const at = whenToMs(when, nowMs, timeZone);
  const save = async () => {
    if (at === null) return;
    onClose();
    await act(instrument.id, [{ ...entry, at }], begun.recorded);
  };
  return (
    <Sheet
      title={begun.title}
      onClose={onClose}
      foot={
        <Button title={at === null ? 'Say when.' : PUT_ON_RECORD} disabled={at === null} onPress={() => void save()} />
      }
    >
      <WhenField label={begun.question} value={when} onChange={setWhen} nowMs={nowMs} timeZone={timeZone} />
    </Sheet>
  );
}
