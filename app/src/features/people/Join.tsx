import type { Invited } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { goTo, useHousehold } from '@/state/household';
import { forgetWanted, keyWanted } from '@/state/wanted';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/people/join';
import { hereZone } from '../auth/time-zone';

/** The invitation, as far as it is known, and accepting it. */
function useInvitation() {
  const [key] = useState(keyWanted);
  const [invited, setInvited] = useState<Invited | null>(null);
  const [problem, setProblem] = useState<string | null>(key === '' ? copy.noKey : null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    if (key === '') return;
    call('lookAtInvitation', { body: { key } })
      .then(setInvited)
      .catch((error: unknown) => setProblem(sentenceOf(error)));
  }, [key]);
  const accept = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const household = await call('acceptInvitation', { body: { key } });
      forgetWanted();
      await goTo(household);
      router.replace('/kit');
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  return { invited, problem, busy, accept: () => void accept() };
}

/** Route: an invitation to a household, for whoever has its link. */
export function Join() {
  const { invited, problem, busy, accept } = useInvitation();
  const household = useHousehold((state) => state.household);
  const signedIn = household !== null && !household.demo;
  const foot = signedIn ? (
    <Button title={copy.accept} busy={busy} onPress={accept} />
  ) : (
    <>
      <Button title={copy.signIn} onPress={() => router.push('/sign-in')} />
      <Button rank="outline" title={copy.start} onPress={() => router.push('/start')} />
    </>
  );
  return (
    <Stack grow ground="ground">
      <Screen title={copy.title} back="/" foot={invited ? foot : undefined}>
        {problem !== null && (
          <Text tone="now" role="alert">
            {problem}
          </Text>
        )}
        {invited ? (
          <Stack gap="small">
            <Text kind="title" level={2}>
              {copy.to(invited.household)}
            </Text>
            <Text kind="strong">{copy.as(invited.person)}</Text>
            <Text>{copy.will(invited.role)}</Text>
            <Text kind="small" tone="quiet">
              {copy.until(fullDateWords(hereZone())(Date.parse(invited.until)))}
            </Text>
            {signedIn && <Text kind="small">{copy.acceptAs(household.email ?? '')}</Text>}
            {household?.demo && <Text kind="small">{copy.demo}</Text>}
          </Stack>
        ) : (
          problem === null && <Text tone="quiet">{copy.looking}</Text>
        )}
      </Screen>
    </Stack>
  );
}
