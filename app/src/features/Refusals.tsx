import { router } from 'expo-router';
import { dropReading, useAir } from '@/state/air';
import { dropCardChange, useCardStore } from '@/state/cards';
import { dropRefused, useLog } from '@/state/log';
import { useHousehold } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { eventWords } from '@/copy/events';
import { Row } from '@/ui/layout';
import { cardNotStored, copy, entries, readingNotStored } from '@/copy/screens/refusals';

/** Refused entries shown at once; a refused session drags its steps along. */
const SHOWN = 3;

/** Entries, readings and cards the server would not take, each with its reason and what can be done. */
export function Refusals() {
  const refused = useLog((state) => state.refused);
  const { refused: refusedReadings, air } = useAir();
  const refusedCards = useCardStore((state) => state.refused);
  const household = useHousehold((state) => state.household)!;
  return (
    <>
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
            text={readingNotStored({ ...reading, name, timeZone: household.timeZone, why: problem.detail })}
          >
            <Button rank="plain" title={copy.leaveItOut} onPress={() => void dropReading(key)} start />
          </Banner>
        );
      })}
      {[...refusedCards].slice(0, SHOWN).map(([key, { problem, ...change }]) => (
        <Banner key={key} tone="now" text={cardNotStored(change, problem.detail)}>
          <Button rank="plain" title={copy.leaveItOut} onPress={() => void dropCardChange(key)} start />
        </Banner>
      ))}
    </>
  );
}
