import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useAssessment } from '@/state/assessments';
import { act } from '@/state/actions';
import { useJobPlaces } from '@/state/job-places';
import { noteNames } from '@/copy/strings';
import type { GuidedStep } from '@tembrin/core/guided';
import { changeJob } from '@tembrin/core/strings';
import { localDay } from '@tembrin/core/time';
import type { StringChange } from '@tembrin/core/log';
import { copy } from '@/copy/screens/strings/change-job';
import { unlessGone } from '../unless-gone';

interface Place {
  /** null before the first string and after the last. */
  position: number | null;
  step: GuidedStep;
  /** It ends the work on its string. */
  last: boolean;
}

/** The step in hand of a change, and going on, back or away from it. */
export function useChangeJob({ instrument, change }: { instrument: Instrument; change: StringChange }) {
  const { log } = useAssessment(instrument);
  const { places, goTo, forget } = useJobPlaces();
  const specOf = (position: number) => change.specs?.[change.strings.indexOf(position)] ?? null;
  const job = changeJob(instrument, change.way, change.strings, specOf);
  const steps = job.blocks.flatMap(({ position, steps: inside }) =>
    inside.map((step, at): Place => ({ position, step, last: at === inside.length - 1 })),
  );
  const fitted = log.fittings.filter(({ changeId }) => changeId === change.eventId);
  const done = new Set(fitted.flatMap(({ strings }) => strings ?? []));
  // The step in work on this device; elsewhere, the beginning of the first string that is not on yet.
  const kept = steps.findIndex(({ step }) => step.id === places[change.eventId]?.step);
  const open = steps.findIndex(({ position }) => position !== null && !done.has(position));
  const at = kept >= 0 ? kept : done.size > 0 ? (open >= 0 ? open : steps.length - 1) : 0;
  const { position, step, last } = steps[at]!;
  const names = noteNames(instrument);
  const today = localDay(log.nowMs, log.timeZone);
  const enough =
    job.way === 'A' &&
    position !== null &&
    !done.has(position) &&
    steps[at - 1]?.position !== position &&
    fitted.some((fitting) => localDay(fitting.at, log.timeZone) === today);

  const next = async () => {
    if (position !== null && last && !done.has(position)) {
      const spare = change.spares?.[change.strings.indexOf(position)] ?? null;
      await act(
        instrument.id,
        [
          {
            type: 'strings-fitted',
            payload: {
              strings: [position],
              reason: change.reason,
              known: true,
              specs: [specOf(position)],
              by: change.by,
              changeId: change.eventId,
              ...(spare && { spares: [spare] }),
            },
          },
        ],
        copy.theIsOn(names[position]),
      );
    }
    if (at + 1 < steps.length) return goTo(change.eventId, steps[at + 1]!.step.id);
    const goOn = unlessGone(() => router.replace({ pathname: '/kit/[id]/settle', params: { id: instrument.id } }));
    await act(
      instrument.id,
      [{ type: 'change-ended', payload: { changeId: change.eventId, finished: true } }],
      copy.allOnNowThey,
    );
    forget(change.eventId);
    goOn();
  };
  const leave = async () => {
    const goBack = unlessGone(() => router.replace('/bench'));
    await act(
      instrument.id,
      [{ type: 'change-ended', payload: { changeId: change.eventId, finished: false } }],
      copy.leftOffWhatIs,
    );
    forget(change.eventId);
    goBack();
  };
  return { goTo, job, steps, done, at, position, step, last, names, enough, next, leave };
}
