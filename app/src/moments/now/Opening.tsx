import {
  BOW_GAP,
  FAMILY_FACTS,
  lastMeasure,
  openingRound,
  ROSIN_GUIDE_DATA,
  ROSIN_GUIDES,
  type BowedFamily,
  type Figure,
  type OpeningStepId,
  type RosinGuideId,
  type RoundStep,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useComplete, useJudged } from '@/state/condition';
import { act } from '@/state/doing';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { GAP, TOUCH, usePalette, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { becauseWords } from '@/words/because';
import { measureWords } from '@/words/measures';
import { MeasureSheet } from '../MeasureSheet';
import { RosinGuide } from '../RosinGuide';
import { StepDetail } from './StepView';

/** Route: the opening round of the instrument on the stand. */
export function Opening() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <Round key={instrument.id} instrument={instrument} /> : <Redirect href="/now" />;
}

/** What stands out today with its reason; this player's own measures; and, folded away, what is as usual. */
function Round({ instrument }: { instrument: Instrument }) {
  const { situation, log } = useJudged(instrument);
  const complete = useComplete(instrument.id);
  const wide = useWide();
  const { line } = usePalette();
  const [measuring, setMeasuring] = useState<Figure | null>(null);
  const [guide, setGuide] = useState<RosinGuideId | null>(null);
  const steps = openingRound(situation);
  const standing = steps.filter(({ because }) => because !== null);
  const usual = steps.filter(({ because }) => because === null);
  const start = () => {
    void act(instrument.id, [{ type: 'session-began', payload: {} }], null);
    router.replace('/now');
  };
  useKeys(complete ? { s: { label: 'Start playing', run: start } } : {});
  if (log.running) return <Redirect href="/now" />;
  const bowed = FAMILY_FACTS[instrument.family].bowed;
  const measures = <OwnMeasures instrument={instrument} steps={steps} onMeasure={setMeasuring} />;
  const lit = standing[0]?.data.zone;
  const learning = standing.find(({ because }) => because?.code === 'learning')?.because;
  const who = (
    <View style={{ gap: GAP.hair }}>
      <Words kind="strong">{instrument.name}</Words>
      {learning && (
        <Words kind="small" tone="quiet">
          {becauseWords(learning)}
        </Words>
      )}
    </View>
  );
  const round = (
    <Screen
      title="Before you play"
      back="/now"
      foot={<Button title="Start playing" onPress={start} hotkey="s" disabled={!complete} />}
    >
      {!wide && (
        <View style={{ flexDirection: 'row', gap: GAP.more, alignItems: 'center' }}>
          <View style={{ flex: 1, gap: GAP.half }}>
            {who}
            {measures}
          </View>
          <Plate subject={instrument} height={190} lit={lit} withBow />
        </View>
      )}
      {standing.length === 0 ? (
        <Words kind="heading" level={2}>
          All as usual today
        </Words>
      ) : (
        <View role="list" aria-label="Today" style={{ gap: GAP.more }}>
          {standing.map((step) => (
            <View key={step.step} role="listitem" style={{ gap: GAP.small }}>
              <Words kind="heading" level={2}>
                {step.data.title}
              </Words>
              <StepDetail step={step} />
              <StepExtras step={step} instrument={instrument} onMeasure={setMeasuring} onGuide={setGuide} />
            </View>
          ))}
        </View>
      )}
      {usual.length > 0 && <AsUsual steps={usual} />}
      {bowed && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginLeft: -GAP.small }}>
          {ROSIN_GUIDES.map((id) => (
            <Button key={id} rank="plain" title={ROSIN_GUIDE_DATA[id].title} onPress={() => setGuide(id)} />
          ))}
        </View>
      )}
      {measuring && <MeasureSheet instrument={instrument} figure={measuring} onClose={() => setMeasuring(null)} />}
      {guide && <RosinGuide id={guide} child={instrument.setUp.player === 'child'} onClose={() => setGuide(null)} />}
    </Screen>
  );
  if (!wide) return round;
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View
        role="complementary"
        aria-label="Your measures"
        style={{
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          justifyContent: 'center',
          gap: GAP.two,
          padding: GAP.two,
          borderRightWidth: 1,
          borderRightColor: line,
        }}
      >
        <View style={{ flexShrink: 1, gap: GAP.half }}>
          {who}
          {measures}
        </View>
        <Plate subject={instrument} height={460} lit={lit} withBow />
      </View>
      <View style={{ flex: 1 }}>{round}</View>
    </View>
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
  const lengths = useLook((state) => state.lengths);
  const { log } = useJudged(instrument);
  const figures = steps.flatMap(({ data, measure }) =>
    data.figure && measure ? [{ figure: data.figure, measure }] : [],
  );
  const bowed = FAMILY_FACTS[instrument.family].bowed;
  const gap = bowed ? (lastMeasure(log, 'bow-gap')?.value ?? BOW_GAP[instrument.family as BowedFamily].usual) : null;
  return (
    <View style={{ gap: GAP.small }}>
      {gap !== null && (
        <View>
          <Words kind="figure">{measureWords('bow-gap', gap, lengths)}</Words>
          <Words kind="small" tone="quiet">
            between stick and hair
          </Words>
        </View>
      )}
      {figures.map(({ figure, measure }) => (
        <Words key={figure}>{`${OWN[figure] ?? ''} ${measureWords(figure, measure.value, lengths)}`}</Words>
      ))}
      {bowed && (
        <Button
          rank="plain"
          title="Write down the turns"
          onPress={() => onMeasure('bow-turns')}
          style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
        />
      )}
    </View>
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
  if (because?.code === 'rosin') {
    return (
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP.small }}>
        <Button
          rank="outline"
          title="Rosined"
          onPress={() =>
            void act(instrument.id, [{ type: 'rosined', payload: {} }], 'Rosined. The count starts again.')
          }
        />
        {because.verdict.kind === 'new-hair' && (
          <Button rank="plain" title="How to rosin new hair" onPress={() => onGuide('new-hair')} />
        )}
      </View>
    );
  }
  if ((because?.code === 'not-measured' || because?.code === 'measure-again') && data.figure) {
    const { figure } = data;
    return (
      <Button
        rank="outline"
        title="Write it down"
        label={`Write down: ${data.title}`}
        onPress={() => onMeasure(figure)}
        style={{ alignSelf: 'flex-start' }}
      />
    );
  }
  return null;
}

/** The steps that are as usual, folded to a line; unfolded, each with its how and why. */
function AsUsual({ steps }: { steps: readonly RoundStep<OpeningStepId>[] }) {
  const { line, text } = usePalette();
  const [open, setOpen] = useState(false);
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: line }}>
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.small, minHeight: TOUCH, paddingTop: GAP.small }}
      >
        <View style={{ flex: 1 }}>
          <Words kind="strong">As usual</Words>
          {!open && (
            <Words kind="small" tone="quiet">
              {steps.map(({ data }) => data.title).join(' · ')}
            </Words>
          )}
        </View>
        <Chevron size={22} color={text} aria-hidden />
      </Pressable>
      {open && (
        <View role="list" style={{ gap: GAP.one, paddingTop: GAP.small }}>
          {steps.map((step) => (
            <View key={step.step} role="listitem" style={{ gap: GAP.hair }}>
              <Words kind="strong">{step.data.title}</Words>
              <StepDetail step={step} />
            </View>
          ))}
        </View>
      )}
    </View>
  );
}
