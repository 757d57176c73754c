import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { brokenWords, noteNames } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { useSetChoices, useSparesFor } from './sets';
import { brokenVerdict, settleDays } from '@tembrin/core/strings';
import { nextPerformance } from '@tembrin/core/year';
import { stringNames } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/broken';

/** One string broke: this one, or the set? The verdict with its reasons, and on to the change. */
function BrokenScreen({ instrument }: { instrument: Instrument }) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const { log, on } = useStrings(instrument);
  const occasions = useCards('occasion').map(({ facts }) => facts);
  const [position, setPosition] = useState<number | null>(null);
  const spares = useSparesFor(instrument, position ?? -1);
  const sets = useSetChoices(instrument);
  const names = noteNames(instrument);
  const short = stringNames(instrument);

  const performance = nextPerformance(occasions, instrument.id, log.nowMs, timeZone);
  const spec = position === null ? null : (on[position]?.spec ?? spares[0]?.spec ?? null);
  const settles = { one: settleDays([spec]), set: settleDays(on.map((string) => string.spec)) };
  const verdict =
    position === null
      ? null
      : brokenVerdict({
          family: instrument.family,
          others: on
            .filter((string) => string.position !== position)
            .map(({ clock }) => ({ wear: clock?.wear ?? null, daysOn: clock?.daysOn ?? null })),
          settleDays: settles,
          performanceInDays: performance?.inDays ?? null,
          spares: { one: spares.length > 0, set: sets.some(({ spareId }) => spareId !== null) },
        });
  const all = verdict?.answer === 'set';
  const change = () =>
    router.push({
      pathname: '/bench/change',
      params: { id: instrument.id, strings: all ? 'all' : String(position), why: all ? 'set' : 'broke' },
    });
  const record = async () => {
    if (position === null) return;
    const from = spares[0];
    await act(
      instrument.id,
      [
        {
          type: 'strings-fitted',
          payload: {
            strings: [position],
            reason: 'broke',
            known: true,
            specs: [from?.spec ?? on[position]?.spec ?? null],
            ...(from && { spares: [from.card.id] }),
          },
        },
      ],
      copy.isNew(short[position]!, Boolean(from)),
    );
    router.replace({ pathname: '/kit/[id]/on', params: { id: instrument.id } });
  };
  return (
    <Screen
      title="One broke"
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={
        verdict && (
          <>
            <Button title={all ? copy.changeTheSetStep : copy.changeItStepBy} onPress={change} />
            {!all && <Button rank="outline" title={copy.itIsOnAlready} onPress={() => void record()} />}
          </>
        )
      }
    >
      <Text tone="quiet">{copy.aSnappedStringIs(instrument.name)}</Text>
      <Choice
        label="Which one?"
        options={[...names.keys()].reverse().map((at) => ({ value: at, title: names[at]! }))}
        value={position}
        onChange={setPosition}
      />
      {verdict && position !== null && (
        <Stack role="status" gap="half">
          <Text kind="title" level={2}>
            {all
              ? copy.changeTheWholeSet
              : verdict.restAfter
                ? copy.justTheNowThe(short[position])
                : `Just the ${short[position]}`}
          </Text>
          {verdict.unsettled && <Text tone="soon">{copy.itWillStillBe(settles.one * 86_400_000)}</Text>}
          <View role="list" aria-label="Reasons">
            {verdict.reasons.map((reason) => (
              <Stack role="listitem" key={reason.code} padY="small" rule="top">
                <Text>{brokenWords(reason)}</Text>
              </Stack>
            ))}
          </View>
          {performance && performance.inDays < 60 && (
            <Text kind="small" tone="quiet">
              {copy.nextBeforeOthersIn(performance.title, Math.max(1, performance.inDays) * 86_400_000)}
            </Text>
          )}
        </Stack>
      )}
    </Screen>
  );
}

export const BrokenRoute = ofInstrument(BrokenScreen);
