import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useAssessment, type InstrumentAssessment } from '@/state/assessments';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { findingWords } from '@/copy/findings';
import { inUnits } from '@/copy/measures';
import { LOOK_DATA, type Verdict } from '@tembrin/core/instruments';
import { guidesFor, type LookGuide } from '@tembrin/core/looks';
import { ofInstrument } from '../kit/for-instrument';
import { unlessGone } from '../unless-gone';
import { Answers } from './Answers';
import { LookDetails, LookFigures } from './Details';
import { SpotPlate } from './SpotPlate';
import { useAnswer } from './use-answer';
import { actWithPhoto } from './with-photo';

/** Route: one thing looked at by itself. */
export const LookAgainRoute = ofInstrument(LookAgain);

function LookAgain({ instrument }: { instrument: Instrument }) {
  const { look } = useLocalSearchParams<{ look: string }>();
  const assessment = useAssessment(instrument);
  const guide = guidesFor(assessment.facts, assessment.schools).find((each) => each.look === look);
  if (!guide) return <Redirect href={{ pathname: '/kit/[id]/found', params: { id: instrument.id } }} />;
  return <Again key={look} instrument={instrument} assessment={assessment} guide={guide} />;
}

function Again({
  instrument,
  assessment,
  guide,
}: {
  instrument: Instrument;
  assessment: InstrumentAssessment;
  guide: LookGuide;
}) {
  const { look } = guide;
  const model = useAnswer(instrument, assessment, look);
  const page = { pathname: '/kit/[id]/found/[look]', params: { id: instrument.id, look } } as const;
  const answer = async (verdict: Verdict) => {
    const seen = model.answer(verdict, 'player', null);
    if (!seen) return;
    const goBack = unlessGone(() => (router.canGoBack() ? router.back() : router.replace(page)));
    const said = `${findingWords(seen, instrument)}.`;
    const done = await actWithPhoto(instrument.id, [{ type: 'looked-at', payload: seen }], model.photo, said);
    if (done.length > 0) goBack();
  };
  return (
    <Screen title={LOOK_DATA[look].title} back={page}>
      <Row gap="one">
        <SpotPlate
          instrument={instrument}
          height={200}
          zone={LOOK_DATA[look].zone}
          point={model.point}
          onPoint={model.setPoint}
          verdict="watch"
        />
        <Stack grow shrink gap="small">
          <Text kind="heading" level={2}>
            {guide.asks}
          </Text>
          <Text>{inUnits(guide.how.join(' '))}</Text>
          {guide.caution && (
            <Text kind="small" tone="now">
              {guide.caution}
            </Text>
          )}
        </Stack>
      </Row>
      <LookFigures model={model} />
      <LookDetails instrument={instrument} look={look} model={model} />
      <Answers guide={guide} told={model.told} onAnswer={(verdict) => void answer(verdict)} />
    </Screen>
  );
}
