import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useAssessment, useComplete } from '@/state/assessments';
import { useBows, type NamedBow } from '@/state/bows';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { LinkRow } from '@/ui/LinkRow';
import { Row, Stack } from '@/ui/layout';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { Thread } from '@/ui/Thread';
import { FETCHING_LOG } from '@/copy/common';
import type { Moment } from '@/copy/lists';
import { STATE_NAMES } from '@/copy/names';
import { reasonFor } from '@/copy/parts';
import { copy } from '@/copy/screens/bows';
import { ofInstrument } from '../kit/for-instrument';
import { BowSheet } from './BowSheet';
import { byUrgency } from '@tembrin/core/parts';

/** The bows an instrument is played with. */
function Bows({ instrument }: { instrument: Instrument }) {
  const { log } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const bows = useBows(instrument);
  const [adding, setAdding] = useState(false);
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  return (
    <Screen
      title={copy.bowsOf(instrument.name)}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      foot={<Button title={copy.addABow} onPress={() => setAdding(true)} />}
    >
      {!complete ? (
        <Text tone="quiet">{FETCHING_LOG}</Text>
      ) : bows.length === 0 ? (
        <Empty title={copy.noBowHere} text={copy.addTheOne} />
      ) : (
        <>
          <Text tone="quiet">{copy.aBowHasItsOwn}</Text>
          <View role="list" aria-label={copy.bowsOf(instrument.name)}>
            {bows.map((bow, at) => (
              <BowRow key={bow.bow.id} bow={bow} held={at === 0} instrument={instrument} moment={moment} />
            ))}
          </View>
        </>
      )}
      {adding && <BowSheet instrument={instrument} bow={null} nowMs={log.nowMs} onClose={() => setAdding(false)} />}
    </Screen>
  );
}

function BowRow({
  bow: { bow, name, threads },
  held,
  instrument,
  moment,
}: {
  bow: NamedBow;
  held: boolean;
  instrument: Instrument;
  moment: Moment;
}) {
  // Rosin is looked at when it is taken; what a list of bows is read for is their hair.
  const first = byUrgency(threads.filter(({ part }) => part !== 'rosin'))[0]!;
  const reason = reasonFor(first, instrument, moment);
  return (
    <View role="listitem">
      <LinkRow
        href={{ pathname: '/kit/[id]/bows/[bow]', params: { id: instrument.id, bow: bow.id } }}
        label={`${name}: ${STATE_NAMES[first.state]}. ${held ? `${copy.inHand}. ` : ''}${reason}`}
      >
        <Row align="center" justify="between">
          <Text kind="heading">{name}</Text>
          <StateMark state={first.state} />
        </Row>
        {held && <Text kind="smallStrong">{copy.inHand}</Text>}
        <Stack aria-hidden>
          <Thread {...first} {...moment} label={name} />
        </Stack>
        <Text kind="small" tone="quiet">
          {reason}
        </Text>
      </LinkRow>
    </View>
  );
}

export const BowsRoute = ofInstrument(Bows);
