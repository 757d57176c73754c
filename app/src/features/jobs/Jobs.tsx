import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { useAssessment } from '@/state/assessments';
import { useInstrumentOnStand } from '@/state/stand';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { dayWords } from '@/copy/dates';
import { copy } from '@/copy/screens/jobs/jobs';
import { JOB_TITLES } from '@tembrin/core/guided';
import { jobsFor, workUnderWay, type JobData } from '@tembrin/core/jobs';
import { StepDrawing } from '../guided/routes';
import { OnStand } from '../now/OnStand';

/** Route: the guided jobs for the instrument on the stand. */
export function Jobs() {
  const instrument = useInstrumentOnStand();
  return instrument ? <JobsOf key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function JobsOf({ instrument }: { instrument: Instrument }) {
  const assessment = useAssessment(instrument);
  const { log } = assessment;
  const jobs = jobsFor(assessment);
  const under = jobs.filter(({ id }) => workUnderWay(log, id) !== null);
  const textOf = (job: JobData) => {
    const work = workUnderWay(log, job.id);
    return work ? copy.takeUp(dayWords(work.at, log.nowMs, log.timeZone)) : job.text;
  };
  const row = (job: JobData) => {
    const picture = job.compose({ ...assessment, beganAt: null }).find((step) => step.picture !== 'none')?.picture;
    return (
      <LinkRow
        key={job.id}
        href={{ pathname: '/bench/jobs/[job]', params: { job: job.id } }}
        label={`${JOB_TITLES[job.id]}. ${textOf(job)}`}
      >
        <Row gap="one" align="center">
          <Stack width={78} height={42}>
            {picture && picture !== 'none' && <StepDrawing picture={picture} height={42} small />}
          </Stack>
          <Stack grow shrink>
            <Text kind="strong">{JOB_TITLES[job.id]}</Text>
            <Text kind="small" tone="quiet">
              {textOf(job)}
            </Text>
          </Stack>
        </Row>
      </LinkRow>
    );
  };
  return (
    <Screen title={copy.title} back="/bench">
      <OnStand instrument={instrument} />
      {under.length > 0 && (
        <View>
          <Text kind="heading" level={2}>
            {copy.underWay}
          </Text>
          {under.map(row)}
        </View>
      )}
      <View>{jobs.filter((job) => !under.includes(job)).map(row)}</View>
    </Screen>
  );
}
