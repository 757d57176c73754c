import { Field } from '@/ui/Field';
import { Row, Stack } from '@/ui/layout';

/** A number to type: its label, the text so far, what is wrong with it. */
export interface NumberEntry {
  label: string;
  value: string;
  onChange: (text: string) => void;
  error?: string;
  first?: boolean;
}

/** Two numbers of one reading, side by side. @param onSubmit called on Enter */
export function NumberPair({ pair, onSubmit }: { pair: readonly [NumberEntry, NumberEntry]; onSubmit?: () => void }) {
  return (
    <Row gap="one">
      {pair.map(({ label, value, onChange, error, first }) => (
        <Stack key={label} grow>
          <Field
            label={label}
            inputMode="decimal"
            value={value}
            onChangeText={onChange}
            error={error}
            autoFocus={first}
            onSubmitEditing={onSubmit}
          />
        </Stack>
      ))}
    </Row>
  );
}
