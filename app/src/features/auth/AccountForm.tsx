import { router } from 'expo-router';
import { useState, type ReactNode } from 'react';
import {
  Controller,
  useForm,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type Resolver,
} from 'react-hook-form';
import type * as z from 'zod';
import { Refused, sentenceOf } from '@/state/api';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Stack } from '@/ui/layout';

interface AccountFormProps<T extends FieldValues & { email: string; password: string }> {
  title: string;
  action: string;
  passwordHint?: string;
  newPassword?: boolean;
  schema: z.ZodType<T, T>;
  start: DefaultValues<T>;
  submit: (values: T) => Promise<void>;
  other: { title: string; href: '/start' | '/sign-in' };
  /** What is to be known before. */
  note?: string | undefined;
  /** Another way in. */
  more?: ReactNode;
}

/** What of a form is wrong, by its schema: the first of each field. */
const resolverFor =
  <T extends FieldValues>(schema: z.ZodType<T, T>): Resolver<T> =>
  (values) => {
    const read = schema.safeParse(values);
    if (read.success) return { values: read.data, errors: {} };
    const issues = read.error.issues.toReversed();
    const errors = Object.fromEntries(issues.map(({ path, code, message }) => [path[0], { type: code, message }]));
    return { values: {}, errors: errors as FieldErrors<T> };
  };

/** Address and password, for a new account or an old one. */
export function AccountForm<T extends FieldValues & { email: string; password: string }>({
  title,
  action,
  passwordHint,
  newPassword,
  schema,
  start,
  submit,
  other,
  note,
  more,
}: AccountFormProps<T>) {
  const [problem, setProblem] = useState<string | null>(null);
  const { control, handleSubmit, setError, formState } = useForm<T>({
    resolver: resolverFor(schema),
    defaultValues: start,
  });
  const send = handleSubmit(async (values) => {
    setProblem(null);
    try {
      await submit(values);
    } catch (error) {
      const fields = error instanceof Refused ? error.problem.fields : undefined;
      for (const [path, message] of Object.entries(fields ?? {})) setError(path as Path<T>, { message });
      if (!fields) setProblem(sentenceOf(error));
    }
  });
  const line = (name: 'email' | 'password', props: Partial<React.ComponentProps<typeof Field>> & { label: string }) => (
    <Controller
      control={control}
      name={name as Path<T>}
      render={({ field: { value, onChange, onBlur }, fieldState: { error } }) => (
        <Field
          {...props}
          value={value as string}
          onChangeText={onChange}
          onBlur={onBlur}
          error={error?.message}
          onSubmitEditing={() => void send()}
        />
      )}
    />
  );
  return (
    <Stack grow ground="ground">
      <Screen
        title={title}
        back="/"
        foot={
          <>
            <Button title={action} busy={formState.isSubmitting} onPress={() => void send()} />
            {more}
            <Button rank="plain" title={other.title} onPress={() => router.replace(other.href)} />
          </>
        }
      >
        {note !== undefined && <Banner tone="soon" text={note} />}
        {problem !== null && <Banner tone="now" text={problem} />}
        <Stack gap="more">
          {line('email', { label: 'Email', autoComplete: 'email', inputMode: 'email' })}
          {line('password', {
            label: 'Password',
            hint: passwordHint,
            autoComplete: newPassword ? 'new-password' : 'current-password',
            secureTextEntry: true,
          })}
        </Stack>
      </Screen>
    </Stack>
  );
}
