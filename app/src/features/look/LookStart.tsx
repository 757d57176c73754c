import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dayWords } from '@/copy/dates';
import { optionsOf } from '@/copy/lists';
import { causeWords } from '@/copy/findings';
import { EXTENT_NAMES, LOOKER_NAMES, looksWords } from '@/copy/looks';
import { copy } from '@/copy/screens/look/start';
import { OnStand } from '../now/OnStand';
import { useLookStart, type LookStartModel } from './use-look-start';

/** Route: looking over the instrument on the stand. */
export function LookStart() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Start key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Start({ instrument }: { instrument: Instrument }) {
  const model = useLookStart(instrument);
  const { complete, under, begin, fell, found } = model;
  const go = under && under.next ? copy.goOn(under.behind, under.steps.length) : copy.begin;
  return (
    <Screen
      title={copy.title}
      back="/bench"
      foot={
        <Button title={complete ? go : FETCHING_LOG} disabled={!complete} onPress={() => void begin()} hotkey="Enter" />
      }
    >
      <OnStand instrument={instrument} />
      <Reasons model={model} />
      {!under && <Chosen model={model} />}
      <View>
        <LinkRow
          href={{ pathname: '/kit/[id]/found', params: { id: instrument.id } }}
          title={copy.whatWasFound}
          text={copy.openNow(found.length)}
        />
        <Button rank="plain" title={copy.fell} onPress={fell} start flush />
      </View>
    </Screen>
  );
}

/** Why to look now, and when it was looked over last. */
function Reasons({ model: { reasons, moment, last } }: { model: LookStartModel }) {
  return (
    <Stack gap="small">
      {reasons.map((reason) => (
        <Text key={reason.cause} kind="heading" tone="accent">
          {causeWords(reason, moment)}
        </Text>
      ))}
      <Text tone="quiet">
        {last
          ? copy.lastTime(dayWords(last.endedAt!, moment.nowMs, moment.timeZone), EXTENT_NAMES[last.extent], last.found)
          : copy.neverYet}
      </Text>
    </Stack>
  );
}

function Chosen({ model }: { model: LookStartModel }) {
  const { extent, setExtent, by, setBy, counts, time, steps } = model;
  const hint = by === 'child' ? copy.childHint : by === 'teacher' ? copy.teacherHint : undefined;
  return (
    <>
      <Choice
        label={copy.howMuch}
        hint={copy.takes(time)}
        options={[
          { value: 'quick', title: copy.quick(counts.quick) },
          { value: 'full', title: copy.full(counts.full) },
          ...(counts.bow > 0 ? [{ value: 'bow' as const, title: copy.bow(counts.bow) }] : []),
        ]}
        value={extent}
        onChange={setExtent}
      />
      <Choice label={copy.whoLooks} hint={hint} options={optionsOf(LOOKER_NAMES)} value={by} onChange={setBy} />
      <Stack gap="hair">
        <Text kind="smallStrong">{copy.whatIsLookedAt}</Text>
        <Text tone="quiet">{`${looksWords(steps.map(({ look }) => look))}.`}</Text>
      </Stack>
    </>
  );
}
