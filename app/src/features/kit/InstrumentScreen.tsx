import type { Instrument } from '@tembrin/contract';
import { View } from 'react-native';
import { useMay } from '@/state/people';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { verdictSentence } from '@/copy/air';
import { foundWords } from '@/copy/findings';
import { measureWords, type LengthUnit } from '@/copy/measures';
import { kindWords } from '@/copy/names';
import { DueList } from '../DueList';
import { ChangeButton } from './ChangeButton';
import { History } from './History';
import { byUrgency } from '@tembrin/core/parts';
import { FIGURE_DATA, figuresOf, isBowed } from '@tembrin/core/instruments';
import { lastMeasure, type InstrumentLog } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/kit/instrument';
import { useInstrument, type InstrumentModel } from './use-instrument';

/** One instrument: its threads and its history. */
export function InstrumentScreen({ instrument, second }: { instrument: Instrument; second?: boolean }) {
  const model = useInstrument(instrument);
  const { wide, log, bows, threads, pace, complete, standId, moment, hours, stand } = model;
  return (
    <Screen
      title={instrument.name}
      back={wide ? undefined : '/kit'}
      second={second}
      aside={<ChangeButton instrument={instrument} />}
    >
      <Row gap="one" align="center">
        <Plate subject={instrument} height={150} withBow />
        <Stack gap="small" grow>
          <Text>{kindWords(instrument, model.lengths)}</Text>
          <Text kind="small" tone="quiet">
            {complete ? copy.playedInSessionsOn(hours, log.sessions.length) : FETCHING_LOG}
          </Text>
          <Button
            rank="outline"
            title={standId === instrument.id ? copy.onTheStand : copy.putIt}
            onPress={stand}
            start
          />
        </Stack>
      </Row>
      <Pages model={model} />
      {complete && (
        <>
          <DueList
            pace={pace}
            threads={byUrgency(threads)}
            instrument={instrument}
            moment={moment}
            bow={bows.length > 1 ? bows[0]!.name : null}
            hrefOf={(part) => ({ pathname: '/kit/[id]/[part]', params: { id: instrument.id, part } })}
          />
          <History instrument={instrument} log={log} />
        </>
      )}
    </Screen>
  );
}

/** What else is known of it, each on its own page. */
function Pages({ model }: { model: InstrumentModel }) {
  const may = useMay('arrange');
  const { instrument, bowLog, bows, lengths, air, moment } = model;
  return (
    <View>
      <LinkRow
        href={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
        title="Strings"
        text={copy.whatIsOnWhat}
      />
      {isBowed(instrument.family) && (
        <LinkRow
          href={{ pathname: '/kit/[id]/bows', params: { id: instrument.id } }}
          title="Bows"
          text={copy.bowsInALine(bows.map(({ name }) => name))}
        />
      )}
      <LinkRow
        href={{ pathname: '/kit/[id]/set-up', params: { id: instrument.id } }}
        title="Set-up sheet"
        text={setUpWords(instrument, bowLog, lengths)}
      />
      <LinkRow
        href={{ pathname: '/kit/[id]/found', params: { id: instrument.id } }}
        title={copy.lookedOver}
        text={model.found.length > 0 ? foundWords(model.found, instrument) : copy.whatWasSeen}
      />
      <LinkRow
        href={{ pathname: '/kit/[id]/brief', params: { id: instrument.id } }}
        title={copy.brief}
        text={copy.briefText}
      />
      <LinkRow
        href={{ pathname: '/kit/[id]/passport', params: { id: instrument.id } }}
        title={copy.passport}
        text={copy.passportText}
      />
      <LinkRow
        href={{ pathname: '/air/wood/[id]', params: { id: instrument.id } }}
        title={copy.whereItLivesAnd}
        text={verdictSentence(air!.verdict, instrument, moment, lengths)}
      />
      {(may || model.lentTo !== null) && (
        <LinkRow
          href={{ pathname: '/kit/[id]/loan', params: { id: instrument.id } }}
          title={copy.lending}
          text={model.lentTo === null ? copy.lendIt : copy.lentTo(model.lentTo)}
        />
      )}
      {may && (
        <LinkRow
          href={{ pathname: '/kit/[id]/schools', params: { id: instrument.id } }}
          title="Schools"
          text={
            Object.keys(instrument.schools).length === 0
              ? copy.asTheHousehold
              : copy.itsOwnWayIn(Object.keys(instrument.schools).length)
          }
        />
      )}
    </View>
  );
}

/** The latest figures of the set-up sheet in a line. */
function setUpWords(instrument: Instrument, log: InstrumentLog, lengths: LengthUnit): string {
  const known = figuresOf(instrument).flatMap((figure) => lastMeasure(log, figure) ?? []);
  if (known.length === 0) return copy.itsFitAsNumbers;
  const words = known
    .slice(0, 3)
    .map(({ figure, value }) => `${FIGURE_DATA[figure].title.toLowerCase()} ${measureWords(figure, value, lengths)}`)
    .join(', ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}
