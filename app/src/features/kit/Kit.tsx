import type { Instrument } from '@tembrin/contract';
import House from 'lucide-react-native/icons/house';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useComplete, useAssessment } from '@/state/assessments';
import { useHousehold } from '@/state/household';
import { useMay } from '@/state/people';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { IconButton } from '@/ui/IconButton';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { usePreferences } from '@/state/preferences';
import { fullDateWords } from '@/copy/dates';
import { kindWords, PART_NAMES, STATE_NAMES } from '@/copy/names';
import { InstrumentScreen } from './InstrumentScreen';
import { stayNow } from '@tembrin/core/log';
import { byUrgency } from '@tembrin/core/parts';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/kit';

/** The instruments of the household, each with its stack of threads. */
export function Kit({ chosen }: { chosen?: Instrument }) {
  const { name, instruments } = useHousehold((state) => state.household)!;
  const wide = useWide();
  const may = useMay('arrange');
  const add = () => router.push('/kit/add');
  useKeys(may ? { a: { label: copy.addAnInstrument, run: add } } : {});
  const list = (
    <Screen
      title={name}
      aside={<IconButton icon={House} label={copy.householdAndAccount} onPress={() => router.push('/kit/household')} />}
      foot={may && <Button rank="outline" title={copy.addAnInstrument} onPress={add} hotkey="a" />}
    >
      {may && instruments.length > 1 && (
        <View>
          <LinkRow href="/kit/cupboard" title={copy.cupboard} text={copy.cupboardText} />
        </View>
      )}
      {instruments.length === 0 ? (
        <Empty title={copy.noInstrumentsYet} text={copy.addTheOneYou} />
      ) : (
        <View role="list" aria-label="Instruments">
          {instruments.map((instrument) => (
            <KitRow key={instrument.id} instrument={instrument} chosen={chosen?.id === instrument.id} />
          ))}
        </View>
      )}
      <GivenAway />
    </Screen>
  );
  if (!wide) return list;
  const shown = chosen ?? instruments[0];
  return (
    <Row grow>
      <Stack grow={4}>{list}</Stack>
      <Stack grow={5}>{shown && <InstrumentScreen key={shown.id} instrument={shown} second />}</Stack>
    </Row>
  );
}

/** Copies of instruments that another household has now. */
function GivenAway() {
  const { given, timeZone } = useHousehold((state) => state.household)!;
  if (given.length === 0) return null;
  return (
    <View>
      <Text kind="heading" level={2}>
        {copy.givenAway}
      </Text>
      {given.map(({ id, name, givenAt, givenTo }) => (
        <LinkRow
          key={id}
          href={{ pathname: '/kit/given/[given]', params: { given: id } }}
          title={name}
          text={copy.givenRow(givenTo ?? '', fullDateWords(timeZone)(Date.parse(givenAt!)))}
        />
      ))}
    </View>
  );
}

function KitRow({ instrument, chosen }: { instrument: Instrument; chosen: boolean }) {
  const { log, threads } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const lengths = usePreferences((state) => state.lengths);
  const first = byUrgency(threads)[0]!;
  const away = complete && stayNow(log) !== null;
  const asks = away
    ? copy.atTheWorkshop
    : complete && first.state !== 'well'
      ? PART_NAMES[first.part].toLowerCase()
      : null;
  const what = `${kindWords(instrument, lengths)}${asks === null ? '' : ` · ${asks}`}`;
  return (
    <View role="listitem">
      <LinkRow
        href={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
        chosen={chosen}
        label={`${instrument.name}${complete && !away ? `: ${STATE_NAMES[first.state]}` : ''}. ${what}`}
      >
        <Row gap="one" align="center">
          <Stack align="center" width={60}>
            <Plate subject={instrument} height={112} />
          </Stack>
          <Stack gap={2} grow>
            <Row align="center" justify="between">
              <Text kind="heading">{instrument.name}</Text>
              {complete && !away && <StateMark state={first.state} />}
            </Row>
            <Text kind="small" tone="quiet">
              {what}
            </Text>
            {complete && (
              <Stack aria-hidden above="hair">
                {threads.map((thread) => (
                  <Row key={thread.part} align="center">
                    <Text kind="tiny" tone="quiet" width={64}>
                      {PART_NAMES[thread.part]}
                    </Text>
                    <Stack grow>
                      <Thread
                        {...thread}
                        nowMs={log.nowMs}
                        timeZone={log.timeZone}
                        label={PART_NAMES[thread.part]}
                        slim
                      />
                    </Stack>
                  </Row>
                ))}
              </Stack>
            )}
          </Stack>
        </Row>
      </LinkRow>
    </View>
  );
}
