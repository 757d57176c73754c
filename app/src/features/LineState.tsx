import { router } from 'expo-router';
import { useState } from 'react';
import { send, useLog } from '@/state/log';
import { useAir } from '@/state/air';
import { sendCards, useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { lazily } from '@/ui/lazily';
import { Stack } from '@/ui/layout';
import { copy, entries } from '@/copy/screens/line-state';

/** Words about single entries are many, and seldom needed. */
const Refusals = lazily(
  () => import('./Refusals'),
  (module) => module.Refusals,
);

/** A log that takes long to come in is rare. */
const Coming = lazily(
  () => import('./LogComing'),
  (module) => module.LogComing,
);

/** What stands between this device and the server, said plainly: what is not sent, and what was not taken. */
export function LineState() {
  // Nothing else of the log: while it comes in, each of its pages would draw this anew.
  const line = useLog((state) => state.line);
  const unsentEntries = useLog((state) => state.unsent);
  const refused = useLog((state) => state.refused);
  const coming = useLog((state) => state.share !== null);
  const { unsent: readings, refused: refusedReadings } = useAir();
  const { unsent: cards, held, refused: refusedCards } = useCardStore();
  const unsent = unsentEntries + readings.length + cards;
  const anyRefused = refused.length + refusedReadings.size + refusedCards.size > 0;
  const household = useHousehold((state) => state.household);
  const [trying, setTrying] = useState(false);
  const tryAgain = async () => {
    setTrying(true);
    await Promise.all([send(), sendCards()]);
    setTrying(false);
  };
  if (!household || (line === 'open' && !held && !anyRefused && !coming)) return null;
  return (
    <Stack gap="hair" pad="small" round>
      {(line === 'down' || (line === 'open' && held)) && (
        <Banner tone="soon" text={unsent === 0 ? copy.theServerIsOut : copy.theServerIsOutOf(entries(unsent))}>
          <Button rank="plain" title="Try now" busy={trying} onPress={() => void tryAgain()} start />
        </Banner>
      )}
      {coming && <Coming />}
      {line === 'behind' && <Banner tone="soon" text={copy.theServersClock(entries(unsent))} />}
      {line === 'signed-out' && (
        <Banner tone="soon" text={copy.youAreSignedOut(unsent, entries(unsent))}>
          <Button rank="plain" title="Sign in" onPress={() => router.push('/sign-in')} start />
        </Banner>
      )}
      {anyRefused && <Refusals />}
    </Stack>
  );
}
