import { decisive, FIGURE_DATA, figuresOf, type Figure, type InstrumentLog } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useJudged } from '@/state/condition';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { MeasureChart } from '@/ui/MeasureChart';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { dateWords } from '@/words/dates';
import { measureWords } from '@/words/measures';
import { CASE_NAMES, FINISH_NAMES, REST_NAMES } from '@/words/names';
import { MeasureSheet } from '../MeasureSheet';
import { DoneSheet } from '../part/DoneSheet';
import { ChangeButton } from './ChangeButton';
import { useRouteInstrument } from './route';

/** Route: the fit of one instrument, as numbers with dates. */
export function SetUpRoute() {
  const instrument = useRouteInstrument();
  return instrument ? <SetUpSheet instrument={instrument} /> : <Redirect href="/kit" />;
}

function SetUpSheet({ instrument }: { instrument: Instrument }) {
  const { log } = useJudged(instrument);
  const [measuring, setMeasuring] = useState<Figure | null>(null);
  const [regulating, setRegulating] = useState(false);
  const figures = figuresOf(instrument);
  const harp = instrument.family === 'harp';
  return (
    <Screen
      title="Set-up sheet"
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      aside={<ChangeButton instrument={instrument} />}
    >
      <View style={{ gap: GAP.hair }}>
        <Words kind="heading" level={2}>
          {instrument.name}
        </Words>
        <Words kind="small" tone="quiet">
          {keptWords(instrument)}
        </Words>
      </View>
      {figures.length === 0 && !harp && (
        <Empty
          title="Nothing to measure"
          text="What is measured depends on its rest, bow and endpin. Change them above."
        />
      )}
      {figures.map((figure) => (
        <FigureEntry key={figure} figure={figure} log={log} onMeasure={() => setMeasuring(figure)} />
      ))}
      {harp && <Regulation instrument={instrument} log={log} onRegulate={() => setRegulating(true)} />}
      {measuring && <MeasureSheet instrument={instrument} figure={measuring} onClose={() => setMeasuring(null)} />}
      {regulating && (
        <DoneSheet
          kind="regulation"
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
    family === 'violin' || family === 'viola'
      ? setUp.shoulderRest === 'none'
        ? 'no rest'
        : REST_NAMES[setUp.shoulderRest].toLowerCase()
      : null,
    setUp.stand ? 'stand' : null,
    setUp.humidifier ? 'humidifier' : null,
    `${FINISH_NAMES[setUp.finish].toLowerCase()}${setUp.finish === 'valuable' ? ' finish' : ''}`,
    setUp.player === 'child' ? 'played by a child' : null,
  ];
  return `${parts.filter((part) => part !== null).join(', ')}.`;
}

function FigureEntry({ figure, log, onMeasure }: { figure: Figure; log: InstrumentLog; onMeasure: () => void }) {
  const { line } = usePalette();
  const lengths = useLook((state) => state.lengths);
  const { title, how } = FIGURE_DATA[figure];
  const marks = log.measures.filter((measure) => measure.figure === figure);
  const last = marks.at(-1);
  return (
    <View style={{ gap: GAP.small, borderTopWidth: 1, borderTopColor: line, paddingTop: GAP.one }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.half }}>
        <View style={{ flex: 1 }}>
          <Words kind="strong" level={2}>
            {title}
          </Words>
          <Words kind="small" tone="quiet">
            {last ? `measured ${dateWords(last.at, log.nowMs, log.timeZone)}` : how}
          </Words>
        </View>
        {last && <Words kind="title">{measureWords(figure, last.value, lengths)}</Words>}
      </View>
      {marks.length > 1 && <MeasureChart figure={figure} marks={marks} nowMs={log.nowMs} timeZone={log.timeZone} />}
      <Button
        rank="outline"
        title="Measure"
        label={`Measure: ${title}`}
        onPress={onMeasure}
        style={{ alignSelf: 'flex-start' }}
      />
    </View>
  );
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
    <View style={{ gap: GAP.small }}>
      <Words kind="strong" level={2}>
        {instrument.kind === 'pedal' ? 'Pedal regulation' : 'Lever regulation'}
      </Words>
      <Words tone={last ? 'text' : 'quiet'}>
        {last
          ? `Last on ${dateWords(last.at, log.nowMs, log.timeZone)}.`
          : 'Not on record. A harp technician sets the action so that every sharp and natural is true.'}
      </Words>
      <Button rank="outline" title="It was regulated" onPress={onRegulate} style={{ alignSelf: 'flex-start' }} />
    </View>
  );
}
