import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { NotGiven, NotHere } from '@/state/passkey-faults';
import { copy } from '@/copy/screens/account/forms';

const told = (error: unknown) =>
  error instanceof NotHere ? copy.notHere(error.host) : error instanceof NotGiven ? copy.notGiven : sentenceOf(error);

/** Lines of text that are sent together; what is wrong is said beside the line it is about, and what was typed stays. */
export function useForm<T extends Readonly<Record<string, string>>>(start: T, submit: (values: T) => Promise<void>) {
  const [values, setValues] = useState(start);
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async () => {
    setProblem(null);
    setErrors({});
    setBusy(true);
    try {
      await submit(values);
    } catch (error) {
      const fields = error instanceof Refused ? (error.problem.fields ?? {}) : {};
      const known = Object.keys(fields).filter((name) => name in values);
      setErrors(fields);
      if (known.length === 0) setProblem(told(error));
    } finally {
      setBusy(false);
    }
  };
  const line = <K extends keyof T & string>(name: K) => ({
    value: values[name],
    onChangeText: (value: string) => setValues({ ...values, [name]: value }),
    error: errors[name],
    onSubmitEditing: () => void send(),
  });
  return { line, send: () => void send(), busy, problem };
}
