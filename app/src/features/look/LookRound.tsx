import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import Hand from 'lucide-react-native/icons/hand';
import { useWindowDimensions } from 'react-native';
import { useAssessment, type InstrumentAssessment } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { IconButton } from '@/ui/IconButton';
import { useKeys } from '@/ui/keys';
import { RoundMarks } from '@/ui/RoundMarks';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Row, Scroll, Split, Stack } from '@/ui/layout';
import { PageTitle } from '@/ui/PageTitle';
import { dayWords } from '@/copy/dates';
import { causeWords, figuresWords, VERDICT_WORDS } from '@/copy/findings';
import { inUnits } from '@/copy/measures';
import { copy } from '@/copy/screens/look/round';
import { openLookOver } from '@tembrin/core/inspection';
import { LOOK_DATA } from '@tembrin/core/instruments';
import type { LookOver } from '@tembrin/core/log';
import { MINUTE_MS } from '@tembrin/core/time';
import { roundUnderWay, type LookStep, type RoundUnderWay } from '@tembrin/core/looks';
import { HandsBusyView } from '../hands-busy';
import { Answers } from './Answers';
import { LookDetails, LookFigures } from './Details';
import { SpotPlate } from './SpotPlate';
import { useLookRound, type LookRoundModel } from './use-look-round';

/** Route: the look-over under way. It is read from the log, so it goes on where it was left. */
export function LookRound() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Under instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Under({ instrument }: { instrument: Instrument }) {
  const assessment = useAssessment(instrument);
  const over = openLookOver(assessment.log);
  const last = assessment.log.lookOvers.at(-1);
  if (!over) return <Redirect href={last && justEnded(last, assessment.log.nowMs) ? resultOf(last) : '/bench/look'} />;
  const round = roundUnderWay(assessment, over);
  if (!round.next) return <Redirect href={resultOf(over)} />;
  return <Step key={round.next.look} instrument={instrument} assessment={assessment} round={round} step={round.next} />;
}

const resultOf = ({ eventId }: LookOver) => ({ pathname: '/bench/looked', params: { over: eventId } }) as const;
/** Its end is what took the player off this page. */
const justEnded = ({ endedAt }: LookOver, nowMs: number) => endedAt !== null && nowMs - endedAt < 5 * MINUTE_MS;

interface StepProps {
  instrument: Instrument;
  assessment: InstrumentAssessment;
  round: RoundUnderWay;
  step: LookStep;
}

function Step({ instrument, assessment, round, step }: StepProps) {
  const model = useLookRound(instrument, assessment, round, step);
  const { handsBusy, setHandsBusy } = usePreferences();
  const good = { label: copy.good, run: () => model.answer('good') };
  const back = { label: copy.takeTheLastAnswer, run: model.undo };
  useKeys({
    g: good,
    // Page-turn pedals send these.
    arrowright: good,
    pagedown: good,
    w: { label: copy.watch, run: () => model.answer('watch') },
    a: { label: copy.act, run: () => model.answer('act') },
    k: { label: copy.skip, run: model.skip },
    u: back,
    arrowleft: back,
    pageup: back,
    b: { label: handsBusy ? copy.usualView : copy.handsBusy, run: () => setHandsBusy(!handsBusy) },
    escape: { label: copy.leaveForLater, run: model.later },
  });
  const props = { instrument, assessment, round, step, model };
  return handsBusy ? <Busy {...props} /> : <Usual {...props} />;
}

interface ViewProps extends StepProps {
  model: LookRoundModel;
}

function Marks({ round: { steps, answers, behind } }: Pick<ViewProps, 'round'>) {
  const markOf = (step: LookStep) => {
    const answer = answers.get(step.look);
    return answer ? (answer.finding ? 'done' : 'skipped') : 'open';
  };
  return <RoundMarks label={copy.progress} marks={steps.map(markOf)} at={behind} />;
}

function Busy({ round, step: { guide }, model }: ViewProps) {
  return (
    <HandsBusyView
      documentTitle={copy.documentTitle}
      title={guide.asks}
      how={[...guide.how.map(inUnits), inUnits(`${guide.signs.good}?`)]}
      caution={guide.caution}
      progress={<Marks round={round} />}
      tap={copy.tapGood}
      onTap={() => model.answer('good')}
      later={model.later}
    >
      <Button rank="plain" title="Undo" label={model.undoTitle} onPress={model.undo} hotkey="u" />
      <Button rank="outline" title={copy.skip} onPress={model.skip} hotkey="k" />
      <Button rank="outline" title={copy.watch} onPress={() => model.answer('watch')} hotkey="w" />
      <Button rank="outline" title={copy.act} onPress={() => model.answer('act')} hotkey="a" />
    </HandsBusyView>
  );
}

/** One look: its place on the plate, how, and three answers drawn. */
function Usual(props: ViewProps) {
  const { instrument, round, step, model } = props;
  const wide = useWide();
  const { height } = useWindowDimensions();
  const setHandsBusy = usePreferences((state) => state.setHandsBusy);
  const { zone } = LOOK_DATA[step.look];
  const plate = (
    <SpotPlate
      instrument={instrument}
      height={wide ? Math.min(520, height - 140) : 168}
      zone={zone}
      point={model.point}
      onPoint={model.setPoint}
      verdict="watch"
    />
  );
  return (
    <Stack role="main" align="center" grow>
      <PageTitle title={copy.documentTitle} />
      <Split padX="more" padY="half" gap={wide ? 'wide' : 'small'} grow maxWidth={wide ? 980 : 560} full>
        {wide && (
          <Stack align="center" justify="center" grow gap="small">
            {plate}
            <Text kind="small" tone="quiet">
              {model.point ? copy.spotMarked : copy.markSpot}
            </Text>
          </Stack>
        )}
        <Stack grow gap="one">
          <Row align="center" gap="small" self="stretch">
            <Marks round={round} />
            <IconButton icon={Hand} label={copy.handsBusy} onPress={() => setHandsBusy(true)} />
          </Row>
          <Scroll tabIndex={0} tall gap="one">
            <Asked {...props} plate={wide ? null : plate} />
            <LookFigures model={model} />
            <Answers guide={step.guide} told={model.told} onAnswer={model.answer} />
            <LookDetails instrument={instrument} look={step.look} model={model} />
          </Scroll>
          <Row gap="small">
            <Button rank="plain" title={model.undoTitle} onPress={model.undo} hotkey="u" grow />
            <Button rank="plain" title={copy.later} onPress={model.later} hotkey="Escape" />
          </Row>
          <Row gap="small">
            {round.behind > 0 && <Button rank="outline" title={copy.stop} onPress={model.stop} grow />}
            <Button rank="outline" title={copy.skip} onPress={model.skip} hotkey="k" grow />
          </Row>
        </Stack>
      </Split>
    </Stack>
  );
}

/** What is asked, how it is looked at, why today, and what was seen last time. */
function Asked({ instrument, assessment, round, step, plate }: ViewProps & { plate: React.ReactNode }) {
  const { guide, look, cause } = step;
  const { log, reasons } = assessment;
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const before = log.findings.findLast((each) => each.look === look && each.overId !== round.over.eventId);
  const reason = cause && reasons.find((each) => each.cause === cause);
  return (
    <Stack gap="small">
      <Text kind="small" tone="quiet">
        {copy.lookOf(instrument.name, round.behind + 1, round.steps.length)}
      </Text>
      <Text kind="title" level={1}>
        {guide.asks}
      </Text>
      <Row gap="one">
        {plate}
        <Stack grow shrink gap="small">
          {reason && <Text kind="smallStrong">{causeWords(reason, moment)}</Text>}
          <Text>{inUnits(guide.how.join(' '))}</Text>
          {before && (
            <Text kind="small" tone="quiet">
              {copy.lastTime(
                [VERDICT_WORDS[before.verdict], figuresWords(before)].filter((part) => part !== '').join(', '),
                dayWords(before.at, moment.nowMs, moment.timeZone),
              )}
            </Text>
          )}
          {guide.caution && (
            <Text kind="small" tone="now">
              {guide.caution}
            </Text>
          )}
        </Stack>
      </Row>
    </Stack>
  );
}
