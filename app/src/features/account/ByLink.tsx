import { router } from 'expo-router';
import { useState } from 'react';
import { call } from '@/state/api';
import { Button } from '@/ui/Button';
import { Field } from '@/ui/Field';
import { Stack } from '@/ui/layout';
import { Text } from '@/ui/Text';
import { copy } from '@/copy/screens/account/forms';
import { FormScreen } from './FormScreen';
import { useForm } from './use-form';

/** What stands behind the # of the address: browsers send it to nobody. */
const keyHere = () => window.location.hash.slice(1);

const toSignIn = <Button rank="plain" title={copy.backToSignIn} onPress={() => router.replace('/sign-in')} />;

/** Route: asking for a link with which a forgotten password is replaced. */
export function Forgotten() {
  const [sent, setSent] = useState(false);
  const form = useForm({ email: '' }, async (body) => {
    await call('forgotPassword', { body });
    setSent(true);
  });
  return (
    <Stack grow ground="ground">
      <FormScreen
        title={copy.forgotten}
        back="/sign-in"
        text={sent ? undefined : copy.forgottenText}
        action={sent ? null : copy.sendLink}
        more={toSignIn}
        {...form}
      >
        {sent ? (
          <Text role="status">{copy.linkSent}</Text>
        ) : (
          <Field label="Email" inputMode="email" autoComplete="email" {...form.line('email')} />
        )}
      </FormScreen>
    </Stack>
  );
}

/** Route: a new password, with a link that was sent. */
export function Reset() {
  const [key] = useState(keyHere);
  const [done, setDone] = useState(false);
  const form = useForm({ password: '' }, async ({ password }) => {
    await call('resetPassword', { body: { key, password } });
    setDone(true);
  });
  const open = key !== '' && !done;
  return (
    <Stack grow ground="ground">
      <FormScreen
        title={copy.reset}
        back="/sign-in"
        text={open ? copy.resetText : undefined}
        action={open ? copy.reset : null}
        more={done ? <Button title="Sign in" onPress={() => router.replace('/sign-in')} /> : toSignIn}
        {...form}
      >
        {open ? (
          <Field
            label={copy.passwordNew}
            hint={copy.passwordHint}
            secureTextEntry
            autoComplete="new-password"
            {...form.line('password')}
          />
        ) : (
          <Text role="status">{done ? copy.resetDone : copy.noKey}</Text>
        )}
      </FormScreen>
    </Stack>
  );
}

/** Route: confirming that mail to an address is read. It is pressed for: programs that look into mail follow links by themselves. */
export function Confirm() {
  const [key] = useState(keyHere);
  const [said, setSaid] = useState<string | null>(null);
  const form = useForm({}, async () => {
    const { outcome, email } = await call('confirmAddress', { body: { key } });
    setSaid(outcome === 'changed' ? copy.confirmed(email) : copy.otherAsked(email));
  });
  const open = key !== '' && said === null;
  return (
    <Stack grow ground="ground">
      <FormScreen
        title={copy.confirm}
        back="/"
        text={open ? copy.confirmText : undefined}
        action={open ? copy.confirmIt : null}
        more={<Button rank="plain" title={copy.toTembrin} onPress={() => router.replace('/')} />}
        {...form}
      >
        {!open && <Text role="status">{said ?? copy.noKey}</Text>}
      </FormScreen>
    </Stack>
  );
}
