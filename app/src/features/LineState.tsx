import { router } from 'expo-router';
import { useState } from 'react';
import { dropRefused, send, useLog } from '@/state/log';
import { dropReading, useAir } from '@/state/air';
import { useHousehold } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { eventWords } from '@/copy/events';
import { Stack, Row } from '@/ui/layout';
import { copy } from '@/copy/screens/line-state';

/** Refused entries shown at once; a refused session drags its steps along. */
const SHOWN = 3;

const entries = (count: number) => (count === 1 ? '1 entry' : `${count} entries`);

/** What stands between this device and the server, said plainly: what is not sent, and what was not taken. */
export function LineState() {
  const { line, unsent: unsentEntries, refused } = useLog();
  const { unsent: readings, refused: refusedReadings, air } = useAir();
  const unsent = unsentEntries + readings.length;
  const household = useHousehold((state) => state.household);
  const [trying, setTrying] = useState(false);
  const tryAgain = async () => {
    setTrying(true);
    await send();
    setTrying(false);
  };
  if (!household || (line === 'open' && refused.length === 0 && refusedReadings.size === 0)) return null;
  return (
    <Stack gap="hair" pad="small" round>
      {line === 'down' && (
        <Banner tone="soon" text={unsent === 0 ? copy.theServerIsOut : copy.theServerIsOutOf(entries(unsent))}>
          <Button rank="plain" title="Try now" busy={trying} onPress={() => void tryAgain()} start />
        </Banner>
      )}
      {line === 'behind' && <Banner tone="soon" text={copy.theServersClock(entries(unsent))} />}
      {line === 'signed-out' && (
        <Banner tone="soon" text={copy.youAreSignedOut(unsent, entries(unsent))}>
          <Button rank="plain" title="Sign in" onPress={() => router.push('/sign-in')} start />
        </Banner>
      )}
      {refused.length > SHOWN && (
        <Banner tone="now" text={copy.couldNotBeStored(entries(refused.length), SHOWN)}>
          <Button
            rank="plain"
            title={copy.leaveThemAllOut}
            onPress={() => void dropRefused(...refused.map(({ event }) => event.id))}
            start
          />
        </Banner>
      )}
      {refused.slice(0, SHOWN).map(({ event, problem }) => {
        const instrument = household.instruments.find(({ id }) => id === event.instrumentId);
        return (
          <Banner
            key={event.id}
            tone="now"
            text={`Not stored: ${eventWords(event, instrument ?? null, household.timeZone)}. ${problem.detail}`}
          >
            <Row gap="small">
              {instrument && (event.type === 'session-began' || event.type === 'session-entered') && (
                <Button
                  rank="plain"
                  title={copy.enterItAgain}
                  onPress={() =>
                    router.push({
                      pathname: '/kit/[id]/session',
                      params: { id: instrument.id, refusedId: event.id },
                    })
                  }
                />
              )}
              <Button rank="plain" title={copy.leaveItOut} onPress={() => void dropRefused(event.id)} />
            </Row>
          </Banner>
        );
      })}
      {[...refusedReadings].slice(0, SHOWN).map(([key, { sensorId, reading, problem }]) => {
        const name = air?.sensors.find(({ id }) => id === sensorId)?.name ?? null;
        return (
          <Banner
            key={key}
            tone="now"
            text={copy.readingNotStored({ ...reading, name, timeZone: household.timeZone, why: problem.detail })}
          >
            <Button rank="plain" title={copy.leaveItOut} onPress={() => void dropReading(key)} start />
          </Banner>
        );
      })}
    </Stack>
  );
}
