import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useEffect } from 'react';
import { useNow } from '@/state/now';
import { canSound, silence, sound } from '@/state/tone';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { RoundMarks } from '@/ui/RoundMarks';
import { Text } from '@/ui/Text';
import { Grid, Stack } from '@/ui/layout';
import { clockWords } from '@/copy/dates';
import { copy } from '@/copy/screens/jobs/jobs';
import { JOB_TITLES } from '@tembrin/core/guided';
import type { JobData, WorkStep } from '@tembrin/core/jobs';
import { FIGURE_DATA, stringNames, VERDICTS, type Figure } from '@tembrin/core/instruments';
import type { Work } from '@tembrin/core/log';
import { noteName } from '@tembrin/core/pitch';
import { openStrings } from '@tembrin/core/strings';
import { MINUTE_MS } from '@tembrin/core/time';
import { FigureField } from '../FigureField';
import { GuidedScreen } from '../guided/routes';
import { Size } from './Size';
import { useJob, type JobModel } from './use-job';

const VERDICT_TITLES = { good: 'Good', watch: 'Watch it', act: 'Act' } as const;
const OPTIONS = VERDICTS.map((value) => ({ value, title: VERDICT_TITLES[value] }));

/** A job under way: one step at a time, hands busy; left at any point and taken up again days later. */
export function JobUnderWay({ instrument, job, work }: { instrument: Instrument; job: JobData; work: Work }) {
  const model = useJob(instrument, job, work);
  const { steps, at, step, last, next, back, leave } = model;
  return (
    <GuidedScreen
      instrument={instrument}
      title={JOB_TITLES[job.id]}
      back="/bench/jobs"
      marks={
        <RoundMarks label={copy.progress} marks={steps.map((_step, place) => (place < at ? 'done' : 'open'))} at={at} />
      }
      step={step}
      last={last}
      onNext={next}
      onBack={back}
      onPause={() => router.replace('/bench/jobs')}
      onLeave={leave}
      asks={asksOf(step)}
    >
      <Extras instrument={instrument} model={model} />
      {job.id === 'fit' && <Size size={model.size} moment={model.moment} />}
    </GuidedScreen>
  );
}

/** Something is typed, chosen or sounded at it. */
const asksOf = ({ figures, look, touch, sounds, photo, each }: WorkStep) =>
  Boolean(figures?.length ?? look ?? touch ?? sounds ?? photo ?? each);

function Extras({ instrument, model }: { instrument: Instrument; model: JobModel }) {
  const { step } = model;
  return (
    <>
      {step.waitMin !== undefined && <Rest model={model} />}
      {step.sounds && <Notes instrument={instrument} />}
      {step.each && <EachString instrument={instrument} model={model} />}
      {step.touch && <Touched things={step.touch} model={model} />}
      {step.figures && <Figures figures={step.figures} model={model} />}
      {step.photo && <ByPhoto instrument={instrument} figures={step.figures ?? []} />}
      {step.look && <Choice label={copy.howIsIt} options={OPTIONS} value={model.verdict} onChange={model.setVerdict} />}
    </>
  );
}

/** Until when it rests. */
function Rest({ model: { restsUntil, moment } }: { model: JobModel }) {
  const now = useNow(MINUTE_MS);
  if (restsUntil === null) return null;
  return (
    <Text kind="heading" tone={now < restsUntil ? 'accent' : 'well'} role="timer">
      {now < restsUntil ? copy.rest(clockWords(restsUntil, moment.timeZone)) : copy.rested}
    </Text>
  );
}

/** The open strings, each sounded by this device. */
function Notes({ instrument }: { instrument: Instrument }) {
  useEffect(() => silence, []);
  if (!canSound()) return <Text tone="quiet">{copy.noSound}</Text>;
  return (
    <Stack role="group" aria-label={copy.sound} gap="small">
      <Text kind="smallStrong">{copy.sound}</Text>
      <Grid gap="small">
        {openStrings(instrument).map(({ position, note, hz }) => (
          <Button key={position} rank="outline" title={noteName(note)} onPress={() => sound(hz)} />
        ))}
      </Grid>
    </Stack>
  );
}

/** What is touched one after another, and which of it was it. */
function Touched({ things, model: { note, setNote } }: { things: readonly string[]; model: JobModel }) {
  return (
    <Stack gap="small">
      <Choice
        label={copy.touch}
        options={[...things, copy.nothingStops].map((title) => ({ value: title, title }))}
        value={note === '' ? null : note}
        onChange={setNote}
      />
      {note !== '' && note !== copy.nothingStops && <Text kind="heading">{copy.itWas(note)}.</Text>}
    </Stack>
  );
}

/** The strings one by one: those that are out, or buzz, are marked, and go into the note of the job. */
function EachString({ instrument, model: { note, setNote } }: { instrument: Instrument; model: JobModel }) {
  const names = stringNames(instrument);
  const out = names.filter((name) => note.split(', ').includes(name));
  return (
    <Choices
      label={copy.each}
      options={names.map((name) => ({ value: name, title: name }))}
      values={out}
      onChange={(marked) => setNote(names.filter((name) => marked.includes(name)).join(', '))}
    />
  );
}

function Figures({ figures, model }: { figures: readonly Figure[]; model: JobModel }) {
  const { texts, errors, setText } = model;
  return figures.map((figure) => (
    <FigureField
      key={figure}
      figure={figure}
      label={FIGURE_DATA[figure].title}
      text={texts[figure] ?? ''}
      onText={(text) => setText(figure, text)}
      error={errors[figure]}
    />
  ));
}

/** Measured by a photograph where a figure is read, taken for the record where none is. */
function ByPhoto({ instrument, figures: [figure] }: { instrument: Instrument; figures: readonly Figure[] }) {
  const open = () =>
    figure === undefined
      ? router.push({ pathname: '/kit/[id]/photos', params: { id: instrument.id } })
      : router.push({ pathname: '/bench/photo', params: { figure } });
  return <Button rank="outline" title={figure === undefined ? copy.photographs : copy.byPhoto} onPress={open} start />;
}
