import { DAY_MS } from '@tembrin/core/time';
import type { Instrument } from '@tembrin/contract';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { brokenWords } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/broken';
import { useBroken, type BrokenModel } from './use-broken';

/** One string broke: this one, or the set? The verdict with its reasons, and on to the change. */
function BrokenScreen({ instrument }: { instrument: Instrument }) {
  const model = useBroken(instrument);
  const { position, setPosition, names, verdict, all, change, record } = model;
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
      <Verdict model={model} />
    </Screen>
  );
}

function Verdict({ model }: { model: BrokenModel }) {
  const { verdict, position, all, short, settles, performance } = model;
  if (!(verdict && position !== null)) return null;
  return (
    <Stack role="status" gap="half">
      <Text kind="title" level={2}>
        {all
          ? copy.changeTheWholeSet
          : verdict.restAfter
            ? copy.justTheNowThe(short[position])
            : `Just the ${short[position]}`}
      </Text>
      {verdict.unsettled && <Text tone="soon">{copy.itWillStillBe(settles.one * DAY_MS)}</Text>}
      <View role="list" aria-label="Reasons">
        {verdict.reasons.map((reason) => (
          <Stack role="listitem" key={reason.code} padY="small" rule="top">
            <Text>{brokenWords(reason)}</Text>
          </Stack>
        ))}
      </View>
      {performance && performance.inDays < 60 && (
        <Text kind="small" tone="quiet">
          {copy.nextBeforeOthersIn(performance.title, Math.max(1, performance.inDays) * DAY_MS)}
        </Text>
      )}
    </Stack>
  );
}

export const BrokenRoute = ofInstrument(BrokenScreen);
