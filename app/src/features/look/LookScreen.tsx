import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { MeasureChart } from '@/ui/MeasureChart';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Grid, Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dateWords } from '@/copy/dates';
import { figuresWords, SETTLED_WORDS } from '@/copy/findings';
import { todoWords, whoWords } from '@/copy/looks';
import { inUnits, measureWords } from '@/copy/measures';
import { copy } from '@/copy/screens/look/findings';
import { FIGURE_DATA, LOOK_DATA } from '@tembrin/core/instruments';
import { SETTLED } from '@tembrin/core/log';
import { CallFor } from '../call-route';
import { JobLink } from '../JobLink';
import { ofInstrument } from '../kit/for-instrument';
import { Answers, VerdictMark } from './Answers';
import { useLook, type LookModel } from './use-look';

/** Route: one thing that is looked at, as a line over the years; what is open of it, and settling that. */
export const LookRoute = ofInstrument(LookScreen);

function LookScreen({ instrument }: { instrument: Instrument }) {
  const { look: wanted } = useLocalSearchParams<{ look: string }>();
  const model = useLook(instrument, wanted);
  const { guide, complete } = model;
  const params = { id: instrument.id };
  if (!guide) return <Redirect href={{ pathname: '/kit/[id]/found', params }} />;
  const again = () => router.push({ pathname: '/kit/[id]/found/again', params: { ...params, look: guide.look } });
  return (
    <Screen
      title={LOOK_DATA[guide.look].title}
      back={{ pathname: '/kit/[id]/found', params }}
      foot={<Button title={copy.lookAgain} onPress={again} disabled={!complete} />}
    >
      {complete ? <Known model={model} /> : <Text tone="quiet">{FETCHING_LOG}</Text>}
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.howItIsLookedAt}
        </Text>
        <Text>{inUnits(guide.how.join(' '))}</Text>
        <Answers guide={guide} />
      </Stack>
    </Screen>
  );
}

function Known({ model }: { model: LookModel }) {
  return (
    <>
      <Open model={model} />
      <FigureLines model={model} />
      <Line model={model} />
      {model.guide && (
        <LinkRow
          href={{ pathname: '/kit/[id]/photos', params: { id: model.assessment.facts.id, of: model.guide.look } }}
          title={copy.photos}
          text={copy.photosText(model.photos)}
        />
      )}
    </>
  );
}

/** What is open, what to do about it, and that it was done. */
function Open({ model: { open, settle, assessment } }: { model: LookModel }) {
  if (open.length === 0) return null;
  return (
    <Stack gap="half">
      {open.map(({ finding, advice, guide }) => (
        <Stack key={finding.eventId} gap="hair" mark padLeft="half">
          <VerdictMark verdict={finding.verdict} />
          <Text>{inUnits(todoWords(finding, advice, guide))}</Text>
          <Text kind="small" tone={advice.when === 'danger' ? 'now' : 'quiet'}>
            {whoWords(advice)}
          </Text>
          {LOOK_DATA[finding.look].job && (
            <JobLink job={LOOK_DATA[finding.look].job!} instrumentId={assessment.facts.id} />
          )}
          {advice.who !== 'self' && <CallFor role={advice.who} />}
        </Stack>
      ))}
      <Text kind="smallStrong">{copy.settle}</Text>
      <Grid gap="small">
        {SETTLED.map((how) => (
          <Button key={how} rank="outline" title={SETTLED_WORDS[how]} onPress={() => settle(how)} />
        ))}
      </Grid>
    </Stack>
  );
}

/** Its figures over time. */
function FigureLines({ model: { figures, moment } }: { model: LookModel }) {
  const lengths = usePreferences((state) => state.lengths);
  return figures.map(({ figure, marks }) => {
    const last = marks.at(-1);
    if (!last) return null;
    return (
      <Stack key={figure} gap="small">
        <Row align="end" justify="between" gap="small">
          <Text kind="smallStrong" shrink>
            {FIGURE_DATA[figure].title}
          </Text>
          <Text kind="title">{measureWords(figure, last.value, lengths)}</Text>
        </Row>
        {marks.length > 1 && <MeasureChart figure={figure} marks={marks} {...moment} />}
      </Stack>
    );
  });
}

/** Every time it was looked at, the newest first. */
function Line({ model: { line, moment, settlements } }: { model: LookModel }) {
  if (line.length === 0) return <Text tone="quiet">{copy.neverLooked}.</Text>;
  const date = (atMs: number) => dateWords(atMs, moment.nowMs, moment.timeZone);
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {copy.line}
      </Text>
      <View role="list" aria-label={copy.line}>
        {line.map((finding) => {
          const settled = settlements.get(finding.eventId);
          const said = [
            figuresWords(finding),
            finding.note,
            copy.by[finding.by],
            settled ? copy.settledOn(SETTLED_WORDS[settled.how].toLowerCase(), date(settled.at)) : '',
          ].filter((part) => part !== '');
          return (
            <Row key={finding.eventId} role="listitem" gap="one" align="center" touch rule="bottom">
              <Text kind="table" width={92}>
                {date(finding.at)}
              </Text>
              <Stack grow shrink padY="hair">
                <VerdictMark verdict={finding.verdict} />
                <Text kind="small">{said.join(', ')}</Text>
              </Stack>
            </Row>
          );
        })}
      </View>
    </Stack>
  );
}
