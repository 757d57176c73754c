import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { useHere } from '@/state/here';
import { act } from '@/state/actions';
import { saidOf } from '@/state/bows';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { measureNumber, measureWords } from '@/copy/measures';
import { readMeasure } from '@/copy/typed';
import { FIGURE_DATA, type Figure } from '@tembrin/core/instruments';
import { lastMeasure } from '@tembrin/core/log';
import { FigureField } from './FigureField';
import { PUT_ON_RECORD } from '@/copy/common';

interface MeasureSheetProps {
  instrument: Instrument;
  figure: Figure;
  /** The bow that is measured; the one in hand when left out. */
  bowId?: string;
  onClose: () => void;
}

/** Writes down one figure of the set-up sheet as measured now, beginning at what was measured last. */
export function MeasureSheet({ instrument, figure, bowId, onClose }: MeasureSheetProps) {
  const { log: own, bows } = useHere(instrument);
  const onBow = figure.startsWith('bow-');
  const bow = bows.find((each) => each.bow.id === bowId) ?? bows[0];
  const log = onBow && bow ? bow.log : own;
  const last = lastMeasure(log, figure)?.value ?? null;
  const lengths = usePreferences((state) => state.lengths);
  const { title, how } = FIGURE_DATA[figure];
  const [text, setText] = useState(last === null ? '' : measureNumber(figure, last, lengths));
  const [error, setError] = useState<string>();
  const change = (value: string) => {
    setError(undefined);
    setText(value);
  };
  const save = async () => {
    const value = readMeasure(figure, text, lengths);
    if (typeof value === 'string') return setError(value);
    onClose();
    await act(
      instrument.id,
      [{ type: 'measured', payload: { figure, value, ...(onBow && bow && saidOf(bow.bow.id, instrument, bows)) } }],
      `${title}: ${measureWords(figure, value, lengths)}.`,
    );
  };
  return (
    <Sheet title={title} onClose={onClose} foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}>
      <Text>{how}</Text>
      <FigureField figure={figure} text={text} onText={change} error={error} onSubmit={() => void save()} />
    </Sheet>
  );
}
