import { inUnits } from '@/copy/measures';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { StringMarks } from '@/ui/StringMarks';
import { Text } from '@/ui/Text';
import { JobDrawing } from './JobDrawing';
import type { StringChange } from '@tembrin/core/log';
import { Row, Split, Stack } from '@/ui/layout';
import { Plate } from '@/ui/Plate';
import { useWide } from '@/ui/theme';
import { copy } from '@/copy/screens/strings/change-job';
import { useChangeJob, type ChangeJobModel } from './use-change-job';

/** A change of strings under way: one step at a time, hands busy; left at any point and taken up again days later. */
export function ChangeJob({ instrument, change }: { instrument: Instrument; change: StringChange }) {
  const model = useChangeJob({ instrument, change });
  const { goTo, job, step, steps, done, at, position, last, names, enough, next, leave } = model;
  const { picture } = step;
  const wide = useWide();
  return (
    <Screen
      key={step.id}
      broad
      title={position === null ? (at === 0 ? copy.beforeYouBegin : copy.allStringsAreOn) : names[position]!}
      back="/bench"
      foot={
        <>
          <Button
            title={
              at + 1 < steps.length
                ? last && position !== null
                  ? copy.confirmIsOn(names[position])
                  : 'Done, next'
                : 'Finish'
            }
            hotkey="enter"
            onPress={() => void next()}
          />
          <Row justify="between">
            <Button
              rank="plain"
              title={copy.backAStep}
              disabled={at === 0}
              onPress={() => goTo(change.eventId, steps[at - 1]!.step.id)}
            />
            <Button rank="plain" title="Pause" onPress={() => router.replace('/bench')} />
            <Button rank="plain" title="Leave off" onPress={() => void leave()} />
          </Row>
        </>
      }
    >
      <Split gap={wide ? 'wide' : 'more'} align={wide ? 'center' : 'stretch'}>
        <Stack gap="more" grow={wide}>
          {/* Each string a stroke: those that are on are drawn. */}
          <StringMarks label="Strings changed" order={job.order} done={done} position={position} />
          {picture !== 'none' && <JobDrawing picture={picture} height={wide ? 330 : 170} />}
          {picture === 'none' && wide && (
            <Stack align="center">
              <Plate subject={instrument} height={400} />
            </Stack>
          )}
        </Stack>
        <Stack gap="more" grow={wide}>
          {enough && <Banner tone="well" text={copy.oneADayThat} />}
          <StepInHand model={model} />
        </Stack>
      </Split>
    </Screen>
  );
}

function StepInHand({ model }: { model: ChangeJobModel }) {
  const { step } = model;
  return (
    <Stack role="status" gap="half">
      <Text kind="title" level={2}>
        {inUnits(step.title)}
      </Text>
      {step.how.map((line_) => (
        <Text key={line_} kind="large">
          {inUnits(line_)}
        </Text>
      ))}
      {step.caution && <Text tone="now">{step.caution}</Text>}
    </Stack>
  );
}
