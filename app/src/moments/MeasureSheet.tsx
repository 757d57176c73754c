import { FIGURE_DATA, lastMeasure, type Figure } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useJudged } from '@/state/condition';
import { act } from '@/state/doing';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { measureNumber, measureWords, readMeasure, unitOf } from '@/words/measures';

interface MeasureSheetProps {
  instrument: Instrument;
  figure: Figure;
  onClose: () => void;
}

/** Writes down one figure of the set-up sheet as measured now, beginning at what was measured last. */
export function MeasureSheet({ instrument, figure, onClose }: MeasureSheetProps) {
  const { log } = useJudged(instrument);
  const last = lastMeasure(log, figure)?.value ?? null;
  const lengths = useLook((state) => state.lengths);
  const { title, how, step, start } = FIGURE_DATA[figure];
  const unit = unitOf(figure, lengths);
  // Inches are read in sixteenths, where the figure is no finer than that.
  const stride = unit === 'in' && step >= 1 ? 25.4 / 16 : step;
  const [text, setText] = useState(last === null ? '' : measureNumber(figure, last, lengths));
  const [error, setError] = useState<string>();
  const change = (value: string) => {
    setError(undefined);
    setText(value);
  };
  const nudge = (by: number) => {
    const value = readMeasure(figure, text, lengths);
    if (text.trim() === '') change(measureNumber(figure, start, lengths));
    else if (typeof value === 'number') change(measureNumber(figure, value + by, lengths));
  };
  const save = async () => {
    const value = readMeasure(figure, text, lengths);
    if (typeof value === 'string') return setError(value);
    onClose();
    await act(
      instrument.id,
      [{ type: 'measured', payload: { figure, value } }],
      `${title}: ${measureWords(figure, value, lengths)}.`,
    );
  };
  return (
    <Sheet title={title} onClose={onClose} foot={<Button title="Put it on record" onPress={() => void save()} />}>
      <Words>{how}</Words>
      <View style={{ flexDirection: 'row', gap: GAP.small, alignItems: 'flex-end' }}>
        <Button rank="outline" title="−" label="Less" onPress={() => nudge(-stride)} />
        <View style={{ flex: 1 }}>
          <Field
            label={unit === 'turns' ? 'Turns' : `In ${unit === 'in' ? 'inches' : 'millimetres'}`}
            inputMode="decimal"
            value={text}
            onChangeText={change}
            error={error}
            onSubmitEditing={() => void save()}
          />
        </View>
        <Button rank="outline" title="+" label="More" onPress={() => nudge(stride)} />
      </View>
    </Sheet>
  );
}
