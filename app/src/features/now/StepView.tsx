import Hand from 'lucide-react-native/icons/hand';
import { useWindowDimensions } from 'react-native';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { IconButton } from '@/ui/IconButton';
import { Plate } from '@/ui/Plate';
import { useWide } from '@/ui/theme';
import { RoundMarks, type Mark } from '@/ui/RoundMarks';
import { Text } from '@/ui/Text';
import { becauseWords } from '@/copy/because';
import { measureWords, inUnits } from '@/copy/measures';
import type { StepActions } from './step-actions';
import type { RoundStep } from '@tembrin/core/routines';
import type { StepId, StepRecord } from '@tembrin/core/log';
import { Scroll, Row, Split, Stack } from '@/ui/layout';
import { PageTitle } from '@/ui/PageTitle';
import { copy, TOOL_WORDS } from '@/copy/screens/now/step-view';

/** One step of the closing round: its zone lit on the plate, what to do, how and why. */
export function StepView({ instrument, round, done, skip, undo, undoTitle, later }: StepActions) {
  const { session, steps, records, next, behind } = round;
  const wide = useWide();
  const { height } = useWindowDimensions();
  const setHandsBusy = usePreferences((state) => state.setHandsBusy);
  // The more there is to read this evening, the smaller the plate.
  const words = next.emphasised && next.data.how.length > 1 ? 590 : next.because ? 530 : 470;
  const tall = wide ? Math.min(560, height - 120) : Math.max(150, Math.min(380, height - words));
  const progress = (
    <Row align="center" gap="small" self="stretch">
      <Progress steps={steps} records={records} at={behind} />
      <IconButton icon={Hand} label="Hands-busy view" onPress={() => setHandsBusy(true)} />
    </Row>
  );
  return (
    <Stack role="main" align="center" grow>
      <PageTitle title={copy.closingRoundTembrin} />
      <Split padX="more" padY="half" gap={wide ? 'wide' : 'small'} grow maxWidth={wide ? 980 : 560} full>
        <Stack gap="small" align="center" justify="center" grow={wide}>
          {!wide && progress}
          <Plate subject={instrument} height={tall} lit={next.data.zone} withBow label={inUnits(next.data.title)} />
        </Stack>
        <Stack grow gap="one" justify={wide ? 'center' : 'start'}>
          {wide && progress}
          <Scroll tabIndex={0} tall={!wide} gap="small">
            <Text kind="small" tone="quiet">
              {copy.playedStepOf({
                name: instrument.name,
                playedMs: (session.endedAt ?? session.beganAt) - session.beganAt,
                step: behind + 1,
                steps: steps.length,
              })}
            </Text>
            <Text kind="title" level={1}>
              {inUnits(next.data.title)}
            </Text>
            <StepDetail step={next} />
          </Scroll>
          <Stack gap="small">
            <Row gap="small">
              <Button rank="plain" title={undoTitle} onPress={undo} hotkey="u" grow />
              <Button rank="plain" title="Later" onPress={later} hotkey="Escape" />
            </Row>
            <Row gap="small">
              <Button rank="outline" title="Skip" onPress={skip} hotkey="k" grow />
              <Button title="Done" onPress={done} hotkey="Space" grow={2} />
            </Row>
          </Stack>
        </Stack>
      </Split>
    </Stack>
  );
}

/** What to do and why, with this evening's reason first. A step that keeps being missed is spelt out in single moves. */
export function StepDetail({ step: { data, because, who, emphasised, measure } }: { step: RoundStep }) {
  const lengths = usePreferences((state) => state.lengths);
  const tool = TOOL_WORDS[data.tool];
  const asides = [
    tool,
    measure && data.figure ? `Last time: ${measureWords(data.figure, measure.value, lengths)}` : null,
    who === 'adult' ? copy.anAdultDoesThis : null,
  ].filter((aside) => aside !== null);
  return (
    <Stack gap="small">
      {because && because.code !== 'learning' && (
        <Stack padLeft="half" mark>
          <Text kind="smallStrong">{becauseWords(because)}</Text>
        </Stack>
      )}
      {asides.length > 0 && (
        <Text kind="smallStrong" tone="accent">
          {asides.join(' · ')}
        </Text>
      )}
      {emphasised && data.how.length > 1 ? (
        <Stack role="list" padY="small" gap="half">
          {data.how.map((how, at) => (
            <Row key={how} role="listitem" gap="half" align="baseline">
              <Text kind="heading" tone="accent" width={16}>
                {at + 1}
              </Text>
              <Text kind="heading" grow>
                {inUnits(how)}
              </Text>
            </Row>
          ))}
        </Stack>
      ) : (
        <Text>{inUnits(data.how.join(' '))}</Text>
      )}
      <Text kind="small" tone="quiet">
        {data.why}
      </Text>
      {data.caution && (
        <Stack padTop="small" rule="top">
          <Text kind="small" tone="now">
            {data.caution}
          </Text>
        </Stack>
      )}
    </Stack>
  );
}

/** The steps of a round, and how far it is. */
export function Progress({ steps, records, at }: ProgressProps) {
  const markOf = (record: StepRecord | undefined): Mark => (record ? (record.done ? 'done' : 'skipped') : 'open');
  return <RoundMarks label="Closing round" marks={steps.map(({ step }) => markOf(records.get(step)))} at={at} />;
}

interface ProgressProps {
  steps: readonly RoundStep<StepId>[];
  records: ReadonlyMap<string, StepRecord>;
  at: number;
}
