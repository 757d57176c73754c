import type { Place } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useAir } from '@/state/air';
import { usePlaces, type KnownPlace } from '@/state/places';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { vapourWords } from '@/copy/amounts';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { HumidifierWeighings } from './HumidifierWeighings';
import { useMoment, useResidents, useRoutePlace } from './where';
import { router } from 'expo-router';
import { BANDS, DRAUGHTS, roomHours, ROOM_C, weatherHours, type Band } from '@tembrin/core/air';
import { roomPlan, type RoomPlan } from '@tembrin/core/rooms';
import { HOUR_MS, WEEK_MS } from '@tembrin/core/time';
import { Stack } from '@/ui/layout';
import { airingWords, copy, howWords, titleWords, waterFormula } from '@/copy/screens/air/what-to-do';
import { KEEPING_RULES } from '@/copy/screens/air/keeping';

/** Route: what to do for a room or a case, in figures. */
export function WhatToDo() {
  const air = useRoutePlace();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return air ? <Plan key={air.place.id} air={air} /> : <Redirect href="/air" />;
}

function Plan({ air }: { air: KnownPlace }) {
  const { place } = air;
  const places = usePlaces();
  const room = place.kind === 'case' && place.roomId ? (places.get(place.roomId) ?? null) : air;
  const residents = useResidents(place.id);
  return (
    <Screen title={copy.whatToDo} back={{ pathname: '/air/[place]', params: { place: place.id } }}>
      <Text tone="quiet">{place.name}</Text>
      {place.kind === 'case' && <Text>{room ? copy.aCaseFollowsIts(room.place.name) : copy.sayInWhichRoom}</Text>}
      {room && <RoomFigures air={room} ideal={idealOf(residents.map(({ schools }) => schools.air))} />}
      {residents
        .filter(({ instrument, log }) => instrument.setUp.humidifier || log.weighings.length > 0)
        .map(({ instrument, log }) => (
          <HumidifierWeighings key={instrument.id} instrument={instrument} weighings={log.weighings} />
        ))}
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {copy.inAnyCase}
        </Text>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <Text key={id} kind="small">{`${title}: ${does}`}</Text>
        ))}
        <Button
          rank="plain"
          title={copy.homeRemediesJourneysGoing}
          onPress={() => router.push('/air/keeping')}
          start
          flush
        />
      </Stack>
    </Screen>
  );
}

/** The ideal band of those who live here: what suits all their schools; the balanced one where nobody lives. */
function idealOf(schools: readonly string[]): Band {
  const bands = schools.filter((school) => school === 'A' || school === 'B').map((school) => BANDS[school].ideal);
  if (bands.length === 0) return BANDS.A.ideal;
  return { low: Math.max(...bands.map(({ low }) => low)), high: Math.min(...bands.map(({ high }) => high)) };
}

function RoomFigures({ air, ideal }: { air: KnownPlace; ideal: Band }) {
  const { place } = air;
  const plan = useRoomPlan(air, ideal);
  if (place.volumeM3 === null) {
    return (
      <Empty title={copy.howLargeIsThe} text={copy.withItsVolumeThe}>
        <Button
          rank="outline"
          title={copy.sayHowLargeIt}
          onPress={() => router.push({ pathname: '/air/[place]/change', params: { place: place.id } })}
          start
        />
      </Empty>
    );
  }
  if (!plan) return <Empty title={copy.nothingReadInThe} text={copy.readAHygrometerHere} />;
  return (
    <>
      <Advice plan={plan} place={place} ideal={ideal} />
      <Working plan={plan} place={place} volumeM3={place.volumeM3} gainGm3={air.habit?.gainGm3 ?? 0} />
    </>
  );
}

/** What to do for a room by the coming weather and its own habit; null without its volume or a reading in the last week. */
function useRoomPlan({ place, record, habit }: KnownPlace, ideal: Band): RoomPlan | null {
  const { nowMs } = useMoment();
  const weather = useAir((state) => state.air?.weather ?? null);
  if (place.volumeM3 === null) return null;
  const week = record.hours
    .filter(({ at }) => at >= nowMs - WEEK_MS)
    .map((hour) => ({ ...hour, tempC: hour.tempC ?? ROOM_C }));
  return roomPlan({
    volumeM3: place.volumeM3,
    changesPerHour: DRAUGHTS[place.draught].perHour,
    week: roomHours(week, 0),
    ideal,
    habit,
    ahead: weatherHours(weather).filter(({ at }) => at >= nowMs - HOUR_MS),
    tankG: place.tankG,
    dryerG: place.dryerG,
    nowMs,
  });
}

/** Water to give or to take, and when to open the windows. */
function Advice({ plan, place, ideal }: { plan: RoomPlan; place: Place; ideal: Band }) {
  const { nowMs, timeZone } = useMoment();
  const temperatures = usePreferences((state) => state.temperatures);
  const { action, gramsPerDay, targetRh, tempC } = plan;
  const how = howWords(plan, place, ideal);
  return (
    <>
      <Stack gap="small">
        <Text kind="title" level={2}>
          {titleWords(action, gramsPerDay)}
        </Text>
        <Text>{action === 'leave' ? how : copy.thatHoldsAt({ targetRh, tempC, temperatures, how })}</Text>
      </Stack>
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          Airing
        </Text>
        <Text>{airingWords(plan, nowMs, timeZone)}</Text>
      </Stack>
    </>
  );
}

interface WorkingProps {
  plan: RoomPlan;
  place: Place;
  volumeM3: number;
  /** Water this room adds to the air that comes in. */
  gainGm3: number;
}

/** The figures the advice rests on. */
function Working({ plan, place, volumeM3, gainGm3 }: WorkingProps) {
  const temperatures = usePreferences((state) => state.temperatures);
  const station = useAir((state) => state.air?.weather?.station);
  const { perHour } = DRAUGHTS[place.draught];
  return (
    <Figures
      rows={[
        ['Room', copy.mAirChangedTimes(volumeM3, perHour)],
        ['By itself', `${humidityWords(Math.min(1, plan.rh))} at ${temperatureWords(plan.tempC, temperatures)}`],
        [copy.airThatComesIn, copy.gmOnceInside(plan.supplyGm3)],
        [copy.airThatIsWanted, vapourWords(plan.targetGm3)],
        [copy.waterADay, waterFormula(volumeM3, perHour, plan.targetGm3, plan.supplyGm3)],
        [copy.itRestsOn, plan.basis === 'forecast' ? copy.theComingWeekAt(station, gainGm3) : copy.theWeekJustPast],
      ]}
    />
  );
}
