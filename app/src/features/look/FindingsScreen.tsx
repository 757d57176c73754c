import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dateWords } from '@/copy/dates';
import { figuresWords, VERDICT_WORDS } from '@/copy/findings';
import { ZONE_NAMES } from '@/copy/names';
import { copy } from '@/copy/screens/look/findings';
import { LOOK_DATA, type Zone } from '@tembrin/core/instruments';
import { ofInstrument } from '../kit/for-instrument';
import { FoundList } from './Looked';
import { marksOf } from './marks';
import { useFindings } from './use-findings';

/** Route: what was found on an instrument, on its plate, and everything that is looked at. */
export const FindingsRoute = ofInstrument(FindingsScreen);

function FindingsScreen({ instrument }: { instrument: Instrument }) {
  const model = useFindings(instrument);
  const { complete, open, zone, setZone, zones } = model;
  const putOnStand = usePreferences((state) => state.putOnStand);
  const look = () => {
    putOnStand(instrument.id);
    router.push('/bench/look');
  };
  if (!complete)
    return (
      <Screen title={copy.title} back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}>
        <Text tone="quiet">{FETCHING_LOG}</Text>
      </Screen>
    );
  const choose = (next: Zone) => setZone(zone === next ? null : next);
  return (
    <Screen
      title={copy.title}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      foot={<Button title={copy.lookItOver} onPress={look} />}
    >
      <Stack align="center" gap="small">
        <Plate
          subject={instrument}
          height={320}
          withBow
          lit={zone ?? undefined}
          found={marksOf(open.map(({ finding }) => finding))}
          onZone={choose}
          zones={zones}
          label={copy.plate(open.length)}
        />
        <Text kind="small" tone="quiet">
          {copy.pointAt}
        </Text>
      </Stack>
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {open.length === 0 ? copy.nothingOpen : copy.open}
        </Text>
        {open.length === 0 ? (
          <Text tone="quiet">{copy.nothingOpenText}</Text>
        ) : (
          <FoundList instrument={instrument} found={open} />
        )}
      </Stack>
      <LinkRow
        href={{ pathname: '/kit/[id]/photos', params: { id: instrument.id } }}
        title={copy.photos}
        text={copy.photosText(model.photos)}
      />
      <EveryLook instrument={instrument} model={model} />
    </Screen>
  );
}

/** Each thing that is looked at, with what was seen last; those of one zone where one is chosen. */
function EveryLook({ instrument, model }: { instrument: Instrument; model: ReturnType<typeof useFindings> }) {
  const { looks, moment, zone, setZone } = model;
  return (
    <Stack gap="hair">
      <Row align="center" justify="between">
        <Text kind="heading" level={2}>
          {zone === null ? copy.looks : ZONE_NAMES[zone]}
        </Text>
        {zone !== null && <Button rank="plain" title={copy.looks} onPress={() => setZone(null)} />}
      </Row>
      <View role="list" aria-label={copy.looks}>
        {looks.map(({ look, last }) => (
          <View role="listitem" key={look}>
            <LinkRow
              href={{ pathname: '/kit/[id]/found/[look]', params: { id: instrument.id, look } }}
              title={LOOK_DATA[look].title}
              text={
                last
                  ? copy.seen(
                      [VERDICT_WORDS[last.verdict], figuresWords(last)].filter((part) => part !== '').join(', '),
                      dateWords(last.at, moment.nowMs, moment.timeZone),
                    )
                  : copy.neverLooked
              }
            />
          </View>
        ))}
      </View>
    </Stack>
  );
}
