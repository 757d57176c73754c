import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { useHere } from '@/state/here';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { CASE_NAMES, FINISH_NAMES, REST_NAMES } from '@/copy/names';
import { MeasureSheet } from '../MeasureSheet';
import { DoneSheet } from '../part/DoneSheet';
import { ChangeButton } from './ChangeButton';
import { FigureEntry } from './FigureEntry';
import { bowLogOf } from '@tembrin/core/assess';
import { useRouteInstrument } from './route-instrument';
import { decisive, type InstrumentLog } from '@tembrin/core/log';
import { figuresOf, recordOf, type Figure } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { WhoPlays } from '../people/WhoPlays';
import { copy, REGULATION_COPY } from '@/copy/screens/kit/set-up-sheet';

/** Route: the fit of one instrument, as numbers with dates. */
export function SetUpRoute() {
  const instrument = useRouteInstrument();
  return instrument ? <SetUpSheet instrument={instrument} /> : <Redirect href="/kit" />;
}

function SetUpSheet({ instrument }: { instrument: Instrument }) {
  const assessment = useHere(instrument);
  const { log } = assessment;
  const ofBow = bowLogOf(assessment);
  const [measuring, setMeasuring] = useState<Figure | null>(null);
  const [regulating, setRegulating] = useState(false);
  const figures = figuresOf(instrument);
  const harp = recordOf(instrument.family).takes.action;
  return (
    <Screen
      title="Set-up sheet"
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      aside={<ChangeButton instrument={instrument} />}
    >
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {instrument.name}
        </Text>
        <Text kind="small" tone="quiet">
          {keptWords(instrument)}
        </Text>
      </Stack>
      <WhoPlays instrument={instrument} />
      {figures.length === 0 && !harp && <Empty title={copy.nothingToMeasure} text={copy.whatIsMeasuredDepends} />}
      {figures.map((figure) => (
        <FigureEntry
          key={figure}
          figure={figure}
          log={figure.startsWith('bow-') ? ofBow : log}
          onMeasure={() => setMeasuring(figure)}
        />
      ))}
      {harp && <Regulation instrument={instrument} log={log} onRegulate={() => setRegulating(true)} />}
      {measuring && <MeasureSheet instrument={instrument} figure={measuring} onClose={() => setMeasuring(null)} />}
      {regulating && (
        <DoneSheet
          begun={REGULATION_COPY}
          entry={{ type: 'regulated', payload: { known: true } }}
          instrument={instrument}
          nowMs={log.nowMs}
          asked={false}
          onClose={() => setRegulating(false)}
        />
      )}
    </Screen>
  );
}

/** How it is kept and played, in a line. */
function keptWords({ family, setUp }: Instrument): string {
  const parts = [
    CASE_NAMES[setUp.case],
    recordOf(family).takes.chin
      ? setUp.shoulderRest === 'none'
        ? 'no rest'
        : REST_NAMES[setUp.shoulderRest].toLowerCase()
      : null,
    setUp.stand ? 'stand' : null,
    setUp.humidifier ? 'humidifier' : null,
    `${FINISH_NAMES[setUp.finish].toLowerCase()}${setUp.finish === 'valuable' ? ' finish' : ''}`,
    setUp.player === 'child' ? copy.playedByAChild : null,
  ];
  return `${parts.filter((part) => part !== null).join(', ')}.`;
}

function Regulation({
  instrument,
  log,
  onRegulate,
}: {
  instrument: Instrument;
  log: InstrumentLog;
  onRegulate: () => void;
}) {
  const last = decisive(log.regulations);
  return (
    <Stack gap="small">
      <Text kind="strong" level={2}>
        {instrument.kind === 'pedal' ? 'Pedal regulation' : 'Lever regulation'}
      </Text>
      <Text tone={last ? 'text' : 'quiet'}>
        {last ? `Last on ${dateWords(last.at, log.nowMs, log.timeZone)}.` : copy.notOnRecordA}
      </Text>
      <Button rank="outline" title={copy.itWasRegulated} onPress={onRegulate} start />
    </Stack>
  );
}
