import type { Instrument } from '@tembrin/contract';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useHere } from '@/state/here';
import { act } from '@/state/actions';
import { inHand } from '@/state/bows';
import { useInstrumentOnStand } from '@/state/stand';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { becauseWords } from '@/copy/because';
import { measureWords, inUnits } from '@/copy/measures';
import { MeasureSheet } from '../MeasureSheet';
import { RosinGuide } from '../RosinGuide';
import { StepDetail } from './StepView';
import { bowGap, ROSIN_GUIDE_DATA, ROSIN_GUIDES, type RosinGuideId } from '@tembrin/core/bow';
import { isBowed, type Figure } from '@tembrin/core/instruments';
import { bowLogOf } from '@tembrin/core/assess';
import { lastMeasure } from '@tembrin/core/log';
import { type OpeningStepId, type RoundStep } from '@tembrin/core/routines';
import { Grid, Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/opening';
import { useOpening, type OpeningModel } from './use-opening';

/** Route: the opening round of the instrument on the stand. */
export function Opening() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Round key={instrument.id} instrument={instrument} /> : <Redirect href="/now" />;
}

/** What stands out today with its reason; this player's own measures; and, folded away, what is as usual. */
function Round({ instrument }: { instrument: Instrument }) {
  const model = useOpening(instrument);
  const { log, complete, wide, measuring, setMeasuring, guide, setGuide, steps, usual, start, lit, learning } = model;
  if (log.running) return <Redirect href="/now" />;
  const measures = <OwnMeasures instrument={instrument} steps={steps} onMeasure={setMeasuring} />;
  const who = (
    <Stack gap="hair">
      <Text kind="strong">{instrument.name}</Text>
      {learning && (
        <Text kind="small" tone="quiet">
          {becauseWords(learning)}
        </Text>
      )}
    </Stack>
  );
  const round = (
    <Screen
      title={copy.beforeYouPlay}
      back="/now"
      foot={<Button title="Start playing" onPress={start} hotkey="s" disabled={!complete} />}
    >
      {!wide && (
        <Row gap="more" align="center">
          <Stack gap="half" grow>
            {who}
            {measures}
          </Stack>
          <Plate subject={instrument} height={190} lit={lit} withBow />
        </Row>
      )}
      <Standing model={model} />
      {usual.length > 0 && <AsUsual steps={usual} />}
      <Guides model={model} />
      {measuring && <MeasureSheet instrument={instrument} figure={measuring} onClose={() => setMeasuring(null)} />}
      {guide && <RosinGuide id={guide} child={instrument.setUp.player === 'child'} onClose={() => setGuide(null)} />}
    </Screen>
  );
  if (!wide) return round;
  return (
    <Row grow>
      <Row
        role="complementary"
        aria-label="Your measures"
        pad="two"
        gap="two"
        align="center"
        justify="center"
        grow
        rule="right"
      >
        <Stack gap="half" shrink>
          {who}
          {measures}
        </Stack>
        <Plate subject={instrument} height={460} lit={lit} withBow />
      </Row>
      <Stack grow>{round}</Stack>
    </Row>
  );
}

function Standing({ model }: { model: OpeningModel }) {
  const { standing, instrument, setMeasuring, setGuide } = model;
  return standing.length === 0 ? (
    <Text kind="heading" level={2}>
      {copy.allAsUsualToday}
    </Text>
  ) : (
    <Stack role="list" aria-label="Today" gap="more">
      {standing.map((step) => (
        <Stack key={step.step} role="listitem" gap="small">
          <Text kind="heading" level={2}>
            {inUnits(step.data.title)}
          </Text>
          <StepDetail step={step} />
          <StepExtras step={step} instrument={instrument} onMeasure={setMeasuring} onGuide={setGuide} />
        </Stack>
      ))}
    </Stack>
  );
}

function Guides({ model }: { model: OpeningModel }) {
  const { bowed, setGuide } = model;
  if (!bowed) return null;
  return (
    <Grid outdent="small">
      {ROSIN_GUIDES.map((id) => (
        <Button key={id} rank="plain" title={ROSIN_GUIDE_DATA[id].title} onPress={() => setGuide(id)} />
      ))}
    </Grid>
  );
}

/** The two or three numbers that make it this player's: gap and turns, endpin or rest. */
function OwnMeasures({
  instrument,
  steps,
  onMeasure,
}: {
  instrument: Instrument;
  steps: readonly RoundStep<OpeningStepId>[];
  onMeasure: (figure: Figure) => void;
}) {
  const lengths = usePreferences((state) => state.lengths);
  const bowLog = bowLogOf(useHere(instrument));
  const figures = steps.flatMap(({ data, measure }) =>
    data.figure && measure ? [{ figure: data.figure, measure }] : [],
  );
  const { family } = instrument;
  const bowed = isBowed(family);
  const gap = isBowed(family) ? (lastMeasure(bowLog, 'bow-gap')?.value ?? bowGap(family).usual) : null;
  return (
    <Stack gap="small">
      {gap !== null && (
        <View>
          <Text kind="figure">{measureWords('bow-gap', gap, lengths)}</Text>
          <Text kind="small" tone="quiet">
            {copy.betweenStickAndHair}
          </Text>
        </View>
      )}
      {figures.map(({ figure, measure }) => (
        <Text key={figure}>{`${OWN[figure] ?? ''} ${measureWords(figure, measure.value, lengths)}`}</Text>
      ))}
      {bowed && (
        <Button rank="plain" title={copy.writeDownTheTurns} onPress={() => onMeasure('bow-turns')} start flush />
      )}
    </Stack>
  );
}

const OWN: Readonly<Partial<Record<Figure, string>>> = {
  'bow-turns': 'Last time',
  'endpin-length': 'Endpin at',
  'rest-left': 'Rest at',
};

/** What can be done about a step there and then. */
function StepExtras({
  step,
  instrument,
  onMeasure,
  onGuide,
}: {
  step: RoundStep<OpeningStepId>;
  instrument: Instrument;
  onMeasure: (figure: Figure) => void;
  onGuide: (guide: RosinGuideId) => void;
}) {
  const { because, data } = step;
  const { bows } = useHere(instrument);
  if (because?.code === 'rosin') {
    return (
      <Grid gap="small">
        <Button
          rank="outline"
          title="Rosined"
          onPress={() =>
            void act(
              instrument.id,
              [{ type: 'rosined', payload: inHand(instrument, bows) }],
              copy.rosinedTheCountStarts,
            )
          }
        />
        {because.verdict.kind === 'new-hair' && (
          <Button rank="plain" title={copy.howToRosinNew} onPress={() => onGuide('new-hair')} />
        )}
      </Grid>
    );
  }
  if ((because?.code === 'not-measured' || because?.code === 'measure-again') && data.figure) {
    const { figure } = data;
    return (
      <Button
        rank="outline"
        title={copy.writeItDown}
        label={`${copy.writeItDown}: ${data.title}`}
        onPress={() => onMeasure(figure)}
        start
      />
    );
  }
  return null;
}

/** The steps that are as usual, folded to a line; unfolded, each with its how and why. */
function AsUsual({ steps }: { steps: readonly RoundStep<OpeningStepId>[] }) {
  const { text } = usePalette();
  const [open, setOpen] = useState(false);
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <Stack rule="top">
      <Press
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        row
        padTop="small"
        gap="small"
        align="center"
        touch
      >
        <Stack grow>
          <Text kind="strong">As usual</Text>
          {!open && (
            <Text kind="small" tone="quiet">
              {inUnits(steps.map(({ data }) => data.title).join(' · '))}
            </Text>
          )}
        </Stack>
        <Chevron size={22} color={text} aria-hidden />
      </Press>
      {open && (
        <Stack role="list" padTop="small" gap="one">
          {steps.map((step) => (
            <Stack key={step.step} role="listitem" gap="hair">
              <Text kind="strong">{inUnits(step.data.title)}</Text>
              <StepDetail step={step} />
            </Stack>
          ))}
        </Stack>
      )}
    </Stack>
  );
}
