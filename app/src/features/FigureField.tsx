import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Field } from '@/ui/Field';
import { measureNumber, UNIT_LABELS, unitOf } from '@/copy/measures';
import { readMeasure } from '@/copy/typed';
import { FIGURE_DATA, type Figure } from '@tembrin/core/instruments';
import { Row, Stack } from '@/ui/layout';

interface FigureFieldProps {
  figure: Figure;
  /** As it is typed, in the unit of this device. */
  text: string;
  onText: (text: string) => void;
  error?: string;
  /** What it is called; its unit when left out. */
  label?: string;
  onSubmit?: () => void;
}

/** A figure, typed or stepped to. */
export function FigureField({ figure, text, onText, error, label, onSubmit }: FigureFieldProps) {
  const lengths = usePreferences((state) => state.lengths);
  const { step, start } = FIGURE_DATA[figure];
  const unit = unitOf(figure, lengths);
  // Inches are read in sixteenths, where the figure is no finer than that.
  const stride = unit === 'in' && step >= 1 ? 25.4 / 16 : step;
  const nudge = (by: number) => {
    const value = readMeasure(figure, text, lengths);
    if (text.trim() === '') onText(measureNumber(figure, start, lengths));
    else if (typeof value === 'number') onText(measureNumber(figure, value + by, lengths));
  };
  const of = label === undefined ? '' : `: ${label}`;
  return (
    <Row gap="small" align="end">
      <Button rank="outline" title="−" label={`Less${of}`} onPress={() => nudge(-stride)} />
      <Stack grow>
        <Field
          label={label === undefined ? UNIT_LABELS[unit] : `${label}, ${unit}`}
          inputMode="decimal"
          value={text}
          onChangeText={onText}
          error={error}
          onSubmitEditing={onSubmit}
        />
      </Stack>
      <Button rank="outline" title="+" label={`More${of}`} onPress={() => nudge(stride)} />
    </Row>
  );
}
