import { Pressable } from 'react-native';
import { GAP, RADIUS, TOUCH, usePalette } from './theme';
import { Text } from './Text';
import { Grid, Stack } from './layout';

export interface Option<T> {
  value: T;
  title: string;
}

interface ChoiceProps<T> {
  label: string;
  options: readonly Option<T>[];
  value: T | null;
  onChange: (value: T) => void;
  hint?: string;
}

/** One of a few, all in sight. */
export function Choice<T extends string | number | boolean>({ label, options, value, onChange, hint }: ChoiceProps<T>) {
  return (
    <Stack role="radiogroup" aria-label={label} gap="small">
      <Text kind="smallStrong">{label}</Text>
      {hint !== undefined && (
        <Text kind="small" tone="quiet">
          {hint}
        </Text>
      )}
      <Grid gap="small">
        {options.map((option) => (
          <Tick
            key={String(option.value)}
            kind="radio"
            title={option.title}
            on={option.value === value}
            onPress={() => onChange(option.value)}
          />
        ))}
      </Grid>
    </Stack>
  );
}

interface ChoicesProps<T> {
  label: string;
  options: readonly Option<T>[];
  values: readonly T[];
  onChange: (values: T[]) => void;
  error?: string;
}

/** Any of a few. */
export function Choices<T extends string | number>({ label, options, values, onChange, error }: ChoicesProps<T>) {
  const toggle = (value: T) =>
    onChange(values.includes(value) ? values.filter((other) => other !== value) : [...values, value]);
  return (
    <Stack role="group" aria-label={label} gap="small">
      <Text kind="smallStrong">{label}</Text>
      <Grid gap="small">
        {options.map(({ value, title }) => (
          <Tick
            key={String(value)}
            kind="checkbox"
            title={title}
            on={values.includes(value)}
            onPress={() => toggle(value)}
          />
        ))}
      </Grid>
      {error !== undefined && (
        <Text kind="small" tone="now" role="alert">
          {error}
        </Text>
      )}
    </Stack>
  );
}

interface TickProps {
  kind: 'radio' | 'checkbox';
  title: string;
  on: boolean;
  onPress: () => void;
}

/** A thing to choose: what is chosen has a thick edge and a tint. */
export function Tick({ kind, title, on, onPress }: TickProps) {
  const { surface, edge, accent, accentTint } = usePalette();
  return (
    <Pressable
      role={kind}
      aria-checked={on}
      onPress={onPress}
      style={{
        minHeight: TOUCH,
        minWidth: TOUCH,
        paddingHorizontal: GAP.half + (on ? 0 : 1),
        justifyContent: 'center',
        alignItems: 'center',
        borderRadius: RADIUS,
        borderWidth: on ? 2 : 1,
        borderColor: on ? accent : edge,
        backgroundColor: on ? accentTint : surface,
      }}
    >
      <Text kind={on ? 'smallStrong' : 'small'}>{title}</Text>
    </Pressable>
  );
}
