import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { useAssessment, type InstrumentAssessment } from '@/state/assessments';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { dateWords } from '@/copy/dates';
import { figuresWords, lookWords } from '@/copy/findings';
import { HAIR_VERDICTS, looksWords, todoWords, whoWords } from '@/copy/looks';
import { inUnits } from '@/copy/measures';
import { copy } from '@/copy/screens/look/looked';
import type { LookOver } from '@tembrin/core/log';
import { VerdictMark } from './Answers';
import { marksOf } from './marks';
import { RehairOrBow } from './RehairOrBow';
import { useLooked, type LookedModel } from './use-looked';

/** Route: what a look-over found. */
export function Looked() {
  const { over } = useLocalSearchParams<{ over: string }>();
  const instrument = useInstrumentOnStand();
  return instrument ? <Of key={over} instrument={instrument} overId={over} /> : <Redirect href="/kit/add" />;
}

function Of({ instrument, overId }: { instrument: Instrument; overId: string }) {
  const assessment = useAssessment(instrument);
  const over = assessment.log.lookOvers.find(({ eventId }) => eventId === overId);
  return over ? <End instrument={instrument} assessment={assessment} over={over} /> : <Redirect href="/bench/look" />;
}

function End({
  instrument,
  assessment,
  over,
}: {
  instrument: Instrument;
  assessment: InstrumentAssessment;
  over: LookOver;
}) {
  const model = useLooked(instrument, assessment, over);
  const { ms, count, found, good, skipped, hair } = model;
  return (
    <Screen title={copy.title} back="/bench" foot={<Button title={copy.done} onPress={() => router.replace('/now')} />}>
      <Row gap="one" align="center">
        <Plate subject={instrument} height={150} withBow found={marksOf(found.map(({ finding }) => finding))} />
        <Stack grow shrink gap="small">
          <Text kind="heading">{instrument.name}</Text>
          <Text kind="figure">{String(found.length)}</Text>
          <Text>{found.length === 0 ? copy.allGood : copy.found.toLowerCase()}</Text>
          <Text kind="small" tone="quiet">
            {ms === null ? copy.looks(count) : copy.took(ms, count)}
          </Text>
        </Stack>
      </Row>
      {found.length > 0 && <FoundList instrument={instrument} found={found} />}
      <Changes model={model} />
      {hair.verdict === 'rehair-or-bow' && (
        <RehairOrBow
          instrument={instrument}
          clock={hair.clock}
          hoursPerDay={assessment.bows[0]?.pace.hoursPerDay ?? assessment.pace.hoursPerDay}
          grows={model.grows}
        />
      )}
      <Rest title={copy.good} looks={good} />
      <Rest title={copy.skipped} looks={skipped} />
    </Screen>
  );
}

function Rest({ title, looks }: { title: string; looks: LookedModel['good'] }) {
  if (looks.length === 0) return null;
  return (
    <Stack gap="hair">
      <Text kind="smallStrong">{title}</Text>
      <Text kind="small" tone="quiet">{`${looksWords(looks)}.`}</Text>
    </Stack>
  );
}

/** Each thing found with what to do about it. */
export function FoundList({ instrument, found }: { instrument: Instrument; found: LookedModel['found'] }) {
  return (
    <View role="list" aria-label={copy.found}>
      {found.map(({ finding, advice, guide }) => {
        const title = lookWords(finding, instrument);
        const figures = figuresWords(finding);
        const todo = inUnits(todoWords(finding, advice, guide));
        const who = whoWords(advice);
        const said = [figures, finding.note].filter((part) => part !== '').join(', ');
        return (
          <View role="listitem" key={finding.eventId}>
            <LinkRow
              href={{ pathname: '/kit/[id]/found/[look]', params: { id: instrument.id, look: finding.look } }}
              label={[title, said, todo, who].filter((part) => part !== '').join(' ')}
            >
              <Row align="center" justify="between" gap="small">
                <Text kind="heading" shrink>
                  {title}
                </Text>
                <View aria-hidden>
                  <VerdictMark verdict={finding.verdict} />
                </View>
              </Row>
              {said !== '' && <Text kind="strong">{said}</Text>}
              <Text>{todo}</Text>
              <Text kind="small" tone={advice.when === 'danger' ? 'now' : 'quiet'}>
                {who}
              </Text>
            </LinkRow>
          </View>
        );
      })}
    </View>
  );
}

/** Which dates it moves, and what joins the next visit. */
function Changes({ model: { hair, strings, visit, moment } }: { model: LookedModel }) {
  const lines = [
    hair.verdict ? HAIR_VERDICTS[hair.verdict] : null,
    hair.moved ? copy.hairMoves(hair.moved.before, hair.moved.after, moment) : null,
    hair.proven ? copy.hairProven : null,
    strings.proven ? copy.stringsProven : null,
    strings.nearer ? copy.stringsNearer : null,
    visit.pressed ? copy.visitPressed(dateWords(visit.pressed.late, moment.nowMs, moment.timeZone)) : null,
    visit.joins > 0 ? copy.visitJoins(visit.joins) : null,
  ].filter((line) => line !== null);
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.whatItChanges}
      </Text>
      {lines.length === 0 && <Text tone="quiet">{copy.changesNothing}</Text>}
      {lines.map((line) => (
        <Text key={line}>{line}</Text>
      ))}
    </Stack>
  );
}
