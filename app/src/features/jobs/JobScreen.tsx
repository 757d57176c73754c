import type { Instrument } from '@tembrin/contract';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useComplete } from '@/state/assessments';
import { useHere } from '@/state/here';
import { useJobPlaces } from '@/state/job-places';
import { useInstrumentMeant } from '@/state/stand';
import { Banner } from '@/ui/Banner';
import { Beside } from '@/ui/Beside';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { useKeys } from '@/ui/keys';
import { NumberedSteps } from '@/ui/NumberedSteps';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dayWords } from '@/copy/dates';
import { inUnits } from '@/copy/measures';
import { copy } from '@/copy/screens/jobs/jobs';
import { JOB_TITLES } from '@tembrin/core/guided';
import { jobsFor, nextSize, workUnderWay, type JobData } from '@tembrin/core/jobs';
import { OnStand } from '../now/OnStand';
import { JobUnderWay } from './JobUnderWay';
import { Jobs } from './Jobs';
import { Size } from './Size';
import { restsFrom } from './use-job';

/** Route: a guided job, of the instrument named or the one on the stand: before it begins, or its step in hand. */
export function JobRoute() {
  const instrument = useInstrumentMeant();
  return instrument ? <Of key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Of({ instrument }: { instrument: Instrument }) {
  const { job: wanted } = useLocalSearchParams<{ job: string }>();
  const assessment = useHere(instrument);
  const job = jobsFor(assessment).find(({ id }) => id === wanted);
  if (!job) return <Redirect href="/bench/jobs" />;
  const work = workUnderWay(assessment.log, job.id);
  if (work) return <JobUnderWay key={work.eventId} instrument={instrument} job={job} work={work} />;
  return (
    <Beside list={<Jobs />}>
      <JobStart key={job.id} instrument={instrument} job={job} />
    </Beside>
  );
}

/** What a job is for, who does it, what comes in it. */
function JobStart({ instrument, job }: { instrument: Instrument; job: JobData }) {
  const assessment = useHere(instrument);
  const complete = useComplete(instrument.id);
  const { log, facts } = assessment;
  const goTo = useJobPlaces((state) => state.goTo);
  const steps = job.compose({ ...assessment, beganAt: null });
  const last = log.works.findLast(({ job: id, ended }) => id === job.id && ended?.finished);
  const child = facts.setUp.player === 'child';
  const [shown, setShown] = useState(false);
  const ready = complete && (job.who !== 'practised' || shown);
  const begin = async () => {
    const [began] = await act(instrument.id, [{ type: 'job-began', payload: { job: job.id } }], null);
    if (began) goTo(began.id, steps[0]!.id, restsFrom(steps[0], Date.now()));
  };
  useKeys(ready ? { enter: { label: copy.begin, run: () => void begin() } } : {});
  return (
    <Screen
      title={JOB_TITLES[job.id]}
      back="/bench/jobs"
      foot={
        <Button
          title={complete ? copy.begin : FETCHING_LOG}
          disabled={!ready}
          onPress={() => void begin()}
          hotkey="Enter"
        />
      }
    >
      <OnStand instrument={instrument} />
      <Stack gap="small">
        <Text kind="large">{job.text}</Text>
        <Text kind="small" tone="quiet">
          {[
            `${copy.takes(job.minutes, job.who)}.`,
            steps.some(({ waitMin }) => waitMin !== undefined) ? copy.wait : '',
            last?.ended ? copy.lastDone(dayWords(last.ended.at, log.nowMs, log.timeZone)) : '',
          ]
            .filter((part) => part !== '')
            .join(' ')}
        </Text>
      </Stack>
      {child && job.who !== 'child' && <Banner tone="soon" text={copy.child} />}
      {job.who === 'practised' && (
        <Banner tone="soon" text={copy.practised}>
          <Tick kind="checkbox" title={copy.shown} on={shown} onPress={() => setShown(!shown)} />
        </Banner>
      )}
      {job.id === 'fit' && (
        <Size
          size={nextSize(
            facts,
            log.measures.filter(({ figure }) => figure === 'arm-length'),
          )}
          moment={log}
        />
      )}
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.steps}
        </Text>
        <NumberedSteps steps={steps.map(({ title }) => inUnits(title))} />
      </Stack>
      <Text kind="small" tone="quiet">
        {copy.advises}
      </Text>
    </Screen>
  );
}
