import type { Instrument } from '@tembrin/contract';
import Camera from 'lucide-react-native/icons/camera';
import { useState } from 'react';
import { View } from 'react-native';
import { useAssessment, useComplete } from '@/state/assessments';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Press, Row, Stack } from '@/ui/layout';
import { usePalette } from '@/ui/theme';
import { FETCHING_LOG } from '@/copy/common';
import { dateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/kit/passport';
import { VIEW_DATA, type View as Seen } from '@tembrin/core/instruments';
import { stateOf } from '@tembrin/core/views';
import { ofInstrument } from '../kit/for-instrument';
import { AddPhoto } from './AddPhoto';
import { PhotoTile } from './PhotoTile';
import { keepAndRecord } from './keep-photo';

/** Route: the state of an instrument, one view after another. */
export const StateRoute = ofInstrument(StateScreen);

function StateScreen({ instrument }: { instrument: Instrument }) {
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const [chosen, setChosen] = useState<Seen | null>(null);
  const { nowMs, timeZone } = assessment.log;
  const { quiet } = usePalette();
  const views = stateOf(assessment);
  const missing = views.find(({ view, seen }) => seen === null && !VIEW_DATA[view].optional) ?? null;
  const view = chosen ?? missing?.view ?? null;
  const take = async (bytes: Uint8Array) => {
    const as = { look: null, zone: 'whole', view: view!, photos: assessment.log.photos } as const;
    if (await keepAndRecord(instrument, bytes, as, copy.viewTaken(VIEW_DATA[view!].title))) setChosen(null);
  };
  return (
    <Screen
      title={copy.state}
      back={{ pathname: '/kit/[id]/passport', params: { id: instrument.id } }}
      foot={
        view !== null && complete && <AddPhoto title={copy.take(VIEW_DATA[view].title)} rank="solid" onPhoto={take} />
      }
    >
      {!complete && <Text tone="quiet">{FETCHING_LOG}</Text>}
      <Stack gap="hair" mark padLeft="half" role="status">
        <Text kind="heading">{view === null ? copy.whole : copy.next(VIEW_DATA[view].title)}</Text>
        <Text>{view === null ? copy.wholeText : VIEW_DATA[view].how}</Text>
      </Stack>
      <View role="list" aria-label={copy.state}>
        {views.map(({ view: each, seen }) => {
          const { title, optional } = VIEW_DATA[each];
          const when = seen ? dateWords(seen.at, nowMs, timeZone) : optional ? copy.ifAny : copy.never;
          return (
            <Row role="listitem" key={each} gap="one" align="center" padY="small" rule="bottom">
              {seen ? (
                <PhotoTile instrumentId={instrument.id} photo={seen.photo} label={title} width={84} height={63} />
              ) : (
                <Stack width={84} height={63} framed round align="center" justify="center">
                  <Camera size={22} color={quiet} aria-hidden />
                </Stack>
              )}
              <Press
                role="button"
                aria-label={copy.choose(title, when)}
                aria-pressed={each === view}
                onPress={() => setChosen(each)}
                grow
                touch
                justify="center"
                mark={each === view ? true : 'room'}
                padLeft="half"
              >
                <Text kind={each === view ? 'strong' : 'body'}>{title}</Text>
                <Text kind="small" tone="quiet">
                  {when}
                </Text>
              </Press>
            </Row>
          );
        })}
      </View>
    </Screen>
  );
}
