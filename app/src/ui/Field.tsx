import Input from '@rneui/themed/dist/Input';
import { useId } from 'react';
import { type TextInputProps } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { GAP, RADIUS, TOUCH, TYPE, usePalette } from './theme';
import { Text } from './Text';
import { Stack } from './layout';

interface LabelledProps {
  label: string;
  hint?: string;
  error?: string;
}

function useBox(error: string | undefined) {
  const { surface, edge, now, text } = usePalette();
  return {
    backgroundColor: surface,
    borderWidth: error ? 2 : 1,
    borderColor: error ? now : edge,
    borderRadius: RADIUS,
    minHeight: TOUCH,
    paddingHorizontal: GAP.half,
    color: text,
  };
}

function Labelled({ label, hint, error, id, children }: LabelledProps & { id: string; children: React.ReactNode }) {
  return (
    <Stack gap={6}>
      <Text kind="smallStrong">{label}</Text>
      {hint !== undefined && (
        <Text kind="small" tone="quiet">
          {hint}
        </Text>
      )}
      {children}
      {error !== undefined && (
        <Text kind="small" tone="now" role="alert" nativeID={`${id}-error`}>
          {error}
        </Text>
      )}
    </Stack>
  );
}

type FieldProps = LabelledProps &
  Pick<
    TextInputProps,
    | 'value'
    | 'onChangeText'
    | 'onBlur'
    | 'autoComplete'
    | 'secureTextEntry'
    | 'inputMode'
    | 'onSubmitEditing'
    | 'autoFocus'
  >;

/** A line of text with its label, its hint and what is wrong with it. */
export function Field({ label, hint, error, ...input }: FieldProps) {
  const id = useId();
  const { color, ...box } = useBox(error);
  return (
    <Labelled label={label} hint={hint} error={error} id={id}>
      <Input
        {...input}
        aria-label={label}
        aria-invalid={error !== undefined}
        aria-describedby={error === undefined ? undefined : `${id}-error`}
        renderErrorMessage={false}
        containerStyle={{ paddingHorizontal: 0 }}
        inputContainerStyle={{ ...box, borderBottomWidth: box.borderWidth }}
        // An input is otherwise as wide as the browser likes, whatever it stands in.
        inputStyle={[TYPE.body, { color, minWidth: 0 }]}
        errorStyle={{ display: 'none' }}
      />
    </Labelled>
  );
}

type DateFieldProps = LabelledProps & {
  type: 'date' | 'time';
  value: string;
  onChange: (value: string) => void;
  max?: string;
};

/** The browser's own date or time control. */
export function DateField({ label, hint, error, type, value, onChange, max }: DateFieldProps) {
  const id = useId();
  const { color, ...box } = useBox(error);
  return (
    <Labelled label={label} hint={hint} error={error} id={id}>
      {unstable_createElement('input', {
        type,
        value,
        max,
        'aria-label': label,
        'aria-invalid': error !== undefined,
        'aria-describedby': error === undefined ? undefined : `${id}-error`,
        onChange: ({ target }: { target: HTMLInputElement }) => onChange(target.value),
        style: { ...box, ...FLAT, color, borderStyle: 'solid' },
      })}
    </Labelled>
  );
}

const FLAT = { fontFamily: TYPE.body.fontFamily, fontSize: 17, width: '100%', boxSizing: 'border-box' } as const;

interface TextAreaProps extends LabelledProps {
  value: string;
  onChange: (value: string) => void;
  /** Lines shown at once, at least. */
  rows: number;
}

/** Several lines of text, each its own. */
export function TextArea({ label, hint, error, value, onChange, rows }: TextAreaProps) {
  const id = useId();
  const { color, ...box } = useBox(error);
  return (
    <Labelled label={label} hint={hint} error={error} id={id}>
      {unstable_createElement('textarea', {
        value,
        rows,
        'aria-label': label,
        'aria-invalid': error !== undefined,
        'aria-describedby': error === undefined ? undefined : `${id}-error`,
        onChange: ({ target }: { target: HTMLTextAreaElement }) => onChange(target.value),
        style: {
          ...box,
          ...FLAT,
          color,
          borderStyle: 'solid',
          lineHeight: '25px',
          padding: GAP.half,
          resize: 'vertical',
        },
      })}
    </Labelled>
  );
}
