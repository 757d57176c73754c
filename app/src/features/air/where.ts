import { useLocalSearchParams } from 'expo-router';
import { useAllAssessments } from '@/state/assessments';
import { usePlaces } from '@/state/places';
import { useAir } from '@/state/air';
import { useHousehold } from '@/state/household';
import { useNow } from '@/state/now';
import type { Moment } from '@/copy/lists';
import type { AirState } from '@tembrin/core/air';
import type { InstrumentLog } from '@tembrin/core/log';
import type { ThreadState } from '@tembrin/core/parts';

/** How an air verdict is shown among the states of parts. */
export const AIR_THREAD_STATES: Readonly<Record<AirState, ThreadState>> = {
  fine: 'well',
  watch: 'soon',
  act: 'now',
  unknown: 'unknown',
};

/** Where an instrument lives now, as its log says; null when nobody said. */
export function livesIn({ moves }: Pick<InstrumentLog, 'moves'>): { placeId: string | null; cased: boolean } | null {
  const last = moves.at(-1);
  return last ? { placeId: last.placeId, cased: last.cased } : null;
}

/** Instruments that live in a place, those worst off first. */
export function useResidents(placeId: string) {
  const order: AirState[] = ['act', 'watch', 'unknown', 'fine'];
  return useAllAssessments()
    .filter(({ log }) => livesIn(log)?.placeId === placeId)
    .map((assessment) => ({ ...assessment, instrument: assessment.facts, verdict: assessment.air!.verdict }))
    .sort((a, b) => order.indexOf(a.verdict.state) - order.indexOf(b.verdict.state));
}

/** Now, by the minute, in the household's time zone. */
export function useMoment(): Moment {
  const { timeZone } = useHousehold((state) => state.household)!;
  return { nowMs: useNow(15_000), timeZone };
}

/** The place a route is about; null when there is none such. */
export function useRoutePlace() {
  const { place } = useLocalSearchParams<{ place: string }>();
  return usePlaces().get(place ?? '') ?? null;
}

/** The hygrometer a route is about; null when there is none such. */
export function useRouteSensor() {
  const { sensor } = useLocalSearchParams<{ sensor: string }>();
  return useAir(({ air }) => air?.sensors.find(({ id }) => id === sensor) ?? null);
}
