import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useAssessment } from '@/state/assessments';
import { useInstrumentMeant } from '@/state/stand';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Row, Split, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dayWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import { inUnits } from '@/copy/measures';
import { answerWords, causeTitle, FINDERS, menderOf, symptomsWords, whoWords } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/case';
import type { Trouble } from '@tembrin/core/log';
import { CAUSES, FINE, QUESTIONS, zoneOfQuestion, type CauseId, type QuestionId } from '@tembrin/core/triage';
import { CallFor } from '../call-route';
import { JobLink } from '../JobLink';
import { CloseSheet } from './CloseSheet';
import { DangerPage } from './DangerPage';
import { SuspectStrings } from './SuspectStrings';
import { useCase, type CaseModel } from './use-case';

/** Route: a trouble of the instrument named or the one on the stand that is looked into. It is read from the log, so it goes on where it was left. */
export function CaseRoute() {
  const instrument = useInstrumentMeant();
  return instrument ? <Of key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Of({ instrument }: { instrument: Instrument }) {
  const { trouble: id } = useLocalSearchParams<{ trouble: string }>();
  const { log } = useAssessment(instrument);
  const trouble = log.troubles.find(({ eventId }) => eventId === id);
  return trouble ? <Case key={id} instrument={instrument} trouble={trouble} /> : <Redirect href="/bench/wrong" />;
}

const titlesOf = (ids: readonly CauseId[]) => listWords(ids.map((id) => causeTitle(id).toLowerCase()));

interface Props {
  instrument: Instrument;
  trouble: Trouble;
  model: CaseModel;
}

function Case({ instrument, trouble }: Omit<Props, 'model'>) {
  const model = useCase(instrument, trouble);
  const { complete, closing, setClosing, unheeded, given } = model;
  const wide = useWide();
  const props = { instrument, trouble, model };
  if (complete && unheeded) return <DangerPage instrument={instrument} model={model} />;
  const over = trouble.settled !== null;
  return (
    <Screen
      title={symptomsWords(trouble.symptoms)}
      back="/bench/wrong"
      broad
      foot={
        over ? (
          <Button rank="outline" title={copy.again} onPress={() => router.push('/bench/wrong')} />
        ) : (
          <Button rank="outline" title={copy.over} disabled={!complete} onPress={() => setClosing(true)} />
        )
      }
    >
      {!complete && <Text tone="quiet">{FETCHING_LOG}</Text>}
      {complete && <Notices {...props} />}
      {complete && given && (
        <Split gap={wide ? 'wide' : 'more'}>
          <Stack gap="more" grow={wide}>
            {over ? <Over {...props} /> : <NextLook {...props} />}
            <SoFar {...props} />
          </Stack>
          <Stack gap="more" grow={wide}>
            <SuspectStrings model={model} />
            {!over && <WouldChange {...props} />}
            <Seen {...props} />
          </Stack>
        </Split>
      )}
      {closing && <CloseSheet instrument={instrument} model={model} />}
    </Screen>
  );
}

/** What stands above all: dangers, what no longer fits, a trouble that was left for long. */
function Notices({ trouble, model }: Props) {
  const { judgement, misfits, stale, given, moment, unheed, anew, setClosing } = model;
  const dangers = trouble.settled ? [] : (judgement?.dangers ?? []);
  const last = Math.max(trouble.at, ...trouble.answers.map(({ at }) => at));
  return (
    <>
      {dangers.length > 0 && (
        <Banner tone="now" text={`${copy.stop} ${copy.mayBe(titlesOf(dangers))}`}>
          <Button rank="plain" title={copy.whatToDo} onPress={unheed} start flush />
        </Banner>
      )}
      {stale && given && (
        <Banner tone="soon" text={copy.stale(dayWords(last, moment.nowMs, moment.timeZone))}>
          <Row gap="small">
            <Button rank="plain" title={copy.stillSo} onPress={anew} />
            <Button rank="plain" title={copy.over} onPress={() => setClosing(true)} />
          </Row>
        </Banner>
      )}
      {misfits.length > 0 && (
        <Banner tone="soon" text={copy.misfits(misfits.map((word) => word.replaceAll('-', ' ')).join(', '))} />
      )}
      {!given && <Text>{copy.noneFits}</Text>}
    </>
  );
}

/** The look that tells most for its trouble: where it is, and its answers. */
function NextLook({ instrument, model }: Props) {
  const { judgement, passed, answer, passOver, askAgain } = model;
  const next = judgement?.next ?? null;
  if (next === null)
    return (
      <Stack gap="hair">
        <Text tone="quiet">{copy.nothingMore}</Text>
        {passed.length > 0 && <Button rank="plain" title={copy.passed(passed.length)} onPress={askAgain} start flush />}
      </Stack>
    );
  const { asks, minutes, tool, harm, answers } = QUESTIONS[next];
  const zone = zoneOfQuestion(next, instrument.family);
  return (
    <Stack gap="half" role="group" aria-label={copy.nextLook}>
      <Row gap="one">
        <Plate subject={instrument} height={168} lit={zone} withBow={zone.startsWith('bow-')} />
        <Stack grow shrink gap="small">
          <Text kind="smallStrong" tone="accent">
            {copy.nextLook}
          </Text>
          <Text kind="title" level={2}>
            {inUnits(asks)}
          </Text>
          <Text kind="small" tone="quiet">
            {[copy.minutes(minutes), tool ? copy.with(tool) : ''].filter((part) => part !== '').join(' ')}
          </Text>
          {harm && (
            <Text kind="small" tone="now">
              {copy.careful}
            </Text>
          )}
        </Stack>
      </Row>
      <Stack gap="small">
        {[FINE, ...Object.keys(answers)].map((each) => (
          <Button
            key={each}
            rank="outline"
            title={inUnits(answerWords(next, each))}
            onPress={() => answer(next, each)}
          />
        ))}
        <Button rank="plain" title={copy.notNow} onPress={() => passOver(next)} start flush />
      </Stack>
    </Stack>
  );
}

/** What it comes to as it stands, who sees to it, how soon, and the job that does it. */
function SoFar({ instrument, model }: Props) {
  const { judgement, job, mendedBy, forVisit } = model;
  if (!judgement) return null;
  const { lead, next, dangers } = judgement;
  const before = dangers.filter((id) => id !== lead);
  const mender = menderOf(instrument.family);
  return (
    <Stack gap="small" mark padLeft="half" role="status">
      <Text kind="smallStrong">{copy.soFar}</Text>
      {lead === null ? (
        <Text kind={next === null ? 'heading' : 'body'}>
          {next === null ? copy.cannotTell(mender) : copy.staysOpenLong}
        </Text>
      ) : (
        <>
          <Text kind="heading">{causeTitle(lead)}</Text>
          <Text kind="smallStrong">{whoWords(judgement, instrument.family)}</Text>
          {before.length > 0 && <Text tone="now">{copy.dangerFirst(titlesOf(before))}</Text>}
          <Text>{CAUSES[lead].todo}</Text>
          {CAUSES[lead].never && <Text tone="now">{CAUSES[lead].never}</Text>}
        </>
      )}
      {job && <JobLink job={job.id} instrumentId={instrument.id} />}
      {mendedBy === 'change' && (
        <LinkRow href={{ pathname: '/bench/change', params: { id: instrument.id } }} title={copy.change} />
      )}
      {mendedBy === 'air' && <LinkRow href="/air" title={copy.air} />}
      {judgement.who === 'workshop' && (
        <>
          <LinkRow href={{ pathname: '/kit/[id]/brief', params: { id: instrument.id } }} title={copy.brief} />
          <CallFor role="workshop" />
        </>
      )}
      {judgement.who === 'teacher' && <CallFor role="teacher" />}
      {forVisit && <Button rank="outline" title={copy.forVisit} onPress={forVisit} start />}
    </Stack>
  );
}

/** For each answer to the next look, what it would come to. */
function WouldChange({ instrument, model }: Props) {
  const { judgement, outcomes } = model;
  const next = judgement?.next;
  if (!judgement || !next) return null;
  const saying = ({ lead, who, when, dangers }: (typeof outcomes)[number]) => {
    if (lead === judgement.lead && who === judgement.who && when === judgement.when) return copy.stays;
    const fresh = dangers.filter((id) => !judgement.dangers.includes(id));
    if (fresh.length > 0) return copy.thenStop(titlesOf(fresh), whoWords({ who, when }, instrument.family));
    return lead === null ? copy.staysOpen : copy.then(causeTitle(lead), whoWords({ who, when }, instrument.family));
  };
  if (outcomes.every((outcome) => saying(outcome) === copy.stays)) return null;
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {copy.wouldChange}
      </Text>
      <Text kind="small" tone="quiet">
        {inUnits(QUESTIONS[next].asks)}
      </Text>
      {outcomes.map((outcome) => (
        <Text key={outcome.answer} kind="small">
          {inUnits(copy.ifAnswer(answerWords(next, outcome.answer), saying(outcome)))}
        </Text>
      ))}
    </Stack>
  );
}

/** What was seen so far; each answer can be taken back. */
function Seen({ trouble, model }: Props) {
  const { answered, looked, takeBack } = model;
  const ofLook = Object.entries(looked) as [QuestionId, string][];
  if (answered.length + ofLook.length === 0) return null;
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {copy.looked}
      </Text>
      <Stack role="list" aria-label={copy.looked}>
        {answered.map(({ eventId, question, answer }) => (
          <Row key={eventId} role="listitem" gap="small" align="center" rule="bottom" touch>
            <Text kind="small" grow shrink>
              {inUnits(`${QUESTIONS[question].asks} ${answerWords(question, answer)}.`)}
            </Text>
            {trouble.settled === null && (
              <Button
                rank="plain"
                title={copy.takeBack}
                label={`${copy.takeBack}: ${QUESTIONS[question].asks}`}
                onPress={() => takeBack(eventId)}
              />
            )}
          </Row>
        ))}
        {ofLook.map(([question, answer]) => (
          <Row key={question} role="listitem" gap="small" align="center" rule="bottom" touch>
            <Text kind="small" grow shrink>
              {inUnits(`${QUESTIONS[question].asks} ${answerWords(question, answer)}, ${copy.byLook}.`)}
            </Text>
          </Row>
        ))}
      </Stack>
    </Stack>
  );
}

/** What it was, once it is over. */
function Over({ trouble: { settled }, model }: Props) {
  if (!settled) return null;
  const when = dayWords(settled.at, model.moment.nowMs, model.moment.timeZone);
  const known = settled.cause !== null && settled.cause in CAUSES;
  return (
    <Stack gap="small">
      <Text kind="title" level={2}>
        {known ? copy.was(causeTitle(settled.cause as CauseId), FINDERS[settled.by], when) : copy.wasUnknown(when)}
      </Text>
      {settled.note !== '' && <Text>{settled.note}</Text>}
      <Button rank="plain" title={copy.reopen} onPress={model.reopen} start flush />
    </Stack>
  );
}
