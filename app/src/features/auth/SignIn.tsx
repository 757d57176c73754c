import { credentialsSchema } from '@tembrin/contract/account';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { waitingOnDevice } from '@/state/device-store';
import { takeWanted } from '@/state/wanted';
import { signIn } from '@/state/household';
import { AccountForm } from './form';
import { copy } from '@/copy/screens/auth/sign-in';

export function SignIn() {
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    waitingOnDevice()
      .then(setWaiting)
      .catch(() => undefined);
  }, []);
  return (
    <AccountForm
      note={waiting > 0 ? copy.entriesWait(waiting) : undefined}
      title="Sign in"
      action="Sign in"
      schema={credentialsSchema}
      start={{ email: '', password: '' }}
      submit={async (values) => {
        await signIn(values);
        router.replace(takeWanted('/now'));
      }}
      other={{ title: copy.makeAnAccountInstead, href: '/start' }}
    />
  );
}
