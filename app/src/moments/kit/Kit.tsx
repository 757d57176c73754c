import { byUrgency } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import House from 'lucide-react-native/icons/house';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useComplete, useJudged } from '@/state/condition';
import { useHousehold } from '@/state/household';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { IconButton } from '@/ui/IconButton';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { GAP, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { kindWords, PART_NAMES, STATE_NAMES } from '@/words/names';
import { InstrumentScreen } from './InstrumentScreen';

/** The instruments of the household, each with its stack of threads. */
export function Kit({ chosen }: { chosen?: Instrument }) {
  const { name, instruments } = useHousehold((state) => state.household)!;
  const wide = useWide();
  const add = () => router.push('/kit/add');
  useKeys({ a: { label: 'Add an instrument', run: add } });
  const list = (
    <Screen
      title={name}
      aside={<IconButton icon={House} label="Household and account" onPress={() => router.push('/kit/household')} />}
      foot={<Button rank="outline" title="Add an instrument" onPress={add} hotkey="a" />}
    >
      {instruments.length === 0 ? (
        <Empty
          title="No instruments yet"
          text="Add the one you play most. It takes under a minute; what you don’t know can wait."
        />
      ) : (
        <View role="list" aria-label="Instruments">
          {instruments.map((instrument) => (
            <KitRow key={instrument.id} instrument={instrument} chosen={chosen?.id === instrument.id} />
          ))}
        </View>
      )}
    </Screen>
  );
  if (!wide) return list;
  const shown = chosen ?? instruments[0];
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 4 }}>{list}</View>
      <View style={{ flex: 5 }}>{shown && <InstrumentScreen key={shown.id} instrument={shown} second />}</View>
    </View>
  );
}

function KitRow({ instrument, chosen }: { instrument: Instrument; chosen: boolean }) {
  const { log, condition } = useJudged(instrument);
  const complete = useComplete(instrument.id);
  const first = byUrgency(condition.threads)[0]!;
  return (
    <View role="listitem">
      <Row
        href={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
        chosen={chosen}
        label={`${instrument.name}, ${kindWords(instrument)}. ${complete ? `${PART_NAMES[first.part]}: ${STATE_NAMES[first.state]}` : ''}`}
      >
        <View style={{ flexDirection: 'row', gap: GAP.one, alignItems: 'center' }}>
          <View style={{ width: 60, alignItems: 'center' }}>
            <Plate subject={instrument} height={112} />
          </View>
          <View style={{ flex: 1, gap: 2 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
              <Words kind="heading">{instrument.name}</Words>
              {complete && <StateMark state={first.state} />}
            </View>
            <Words kind="small" tone="quiet">
              {kindWords(instrument)}
              {complete && first.state !== 'well' ? ` · ${PART_NAMES[first.part].toLowerCase()}` : ''}
            </Words>
            {complete && (
              <View aria-hidden style={{ marginTop: GAP.hair }}>
                {condition.threads.map((thread) => (
                  <View key={thread.part} style={{ flexDirection: 'row', alignItems: 'center' }}>
                    <Words kind="tiny" tone="quiet" style={{ width: 64 }}>
                      {PART_NAMES[thread.part]}
                    </Words>
                    <View style={{ flex: 1 }}>
                      <Thread
                        {...thread}
                        nowMs={log.nowMs}
                        timeZone={log.timeZone}
                        label={PART_NAMES[thread.part]}
                        slim
                      />
                    </View>
                  </View>
                ))}
              </View>
            )}
          </View>
        </View>
      </Row>
    </View>
  );
}
