import { credentialsSchema } from '@tembrin/contract/account';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { waitingOnDevice } from '@/state/device-store';
import { takeWanted } from '@/state/wanted';
import { sentenceOf } from '@/state/api';
import { enter, signIn } from '@/state/household';
import { loadPasskeys } from '@/state/load-seldom';
import { NotGiven, NotHere } from '@/state/passkey-faults';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
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
      more={<OtherWays />}
      other={{ title: copy.makeAnAccountInstead, href: '/start' }}
    />
  );
}

/** By what unlocks the device, and what to do where the password is forgotten. */
function OtherWays() {
  const [problem, setProblem] = useState<string | null>(null);
  const byPasskey = async () => {
    setProblem(null);
    const { signInWithPasskey } = await loadPasskeys();
    try {
      enter(await signInWithPasskey());
      router.replace(takeWanted('/now'));
    } catch (error) {
      setProblem(
        error instanceof NotHere
          ? copy.notHere(error.host)
          : error instanceof NotGiven
            ? copy.notGiven
            : sentenceOf(error),
      );
    }
  };
  return (
    <>
      {problem !== null && (
        <Text tone="now" role="alert">
          {problem}
        </Text>
      )}
      {'PublicKeyCredential' in window && (
        <Button rank="outline" title={copy.usePasskey} onPress={() => void byPasskey()} />
      )}
      <Button rank="plain" title={copy.forgotIt} onPress={() => router.push('/forgotten')} />
    </>
  );
}
