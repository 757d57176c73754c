import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { Banner } from '@/ui/Banner';
import { StringMarks } from '@/ui/StringMarks';
import type { StringChange } from '@tembrin/core/log';
import { copy } from '@/copy/screens/strings/change-job';
import { GuidedScreen } from '../guided/routes';
import { useChangeJob } from './use-change-job';

/** A change of strings under way: one step at a time, hands busy; left at any point and taken up again days later. */
export function ChangeJob({ instrument, change }: { instrument: Instrument; change: StringChange }) {
  const { goTo, job, step, steps, done, at, position, last, names, enough, next, leave } = useChangeJob({
    instrument,
    change,
  });
  const end = at + 1 === steps.length;
  return (
    <GuidedScreen
      instrument={instrument}
      title={position === null ? (at === 0 ? copy.beforeYouBegin : copy.allStringsAreOn) : names[position]!}
      back="/bench"
      // Each string a stroke: those that are on are drawn.
      marks={<StringMarks label="Strings changed" order={job.order} done={done} position={position} />}
      step={step}
      last={end}
      nextTitle={!end && last && position !== null ? copy.confirmIsOn(names[position]) : undefined}
      onNext={() => void next()}
      onBack={at === 0 ? null : () => goTo(change.eventId, steps[at - 1]!.step.id)}
      onPause={() => router.replace('/bench')}
      onLeave={() => void leave()}
      above={enough && <Banner tone="well" text={copy.oneADayThat} />}
    />
  );
}
