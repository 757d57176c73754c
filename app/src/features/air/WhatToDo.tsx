import { Redirect } from 'expo-router';
import { useAir } from '@/state/air';
import { usePlaces, type KnownPlace } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { clockWords, dayWords } from '@/copy/dates';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { listWords } from '@/copy/lists';
import { HumidifierWeighings } from './HumidifierWeighings';
import { useMoment, useResidents, useRoutePlace } from './where';
import { router } from 'expo-router';
import {
  BANDS,
  DRAUGHTS,
  KEEPING_RULES,
  roomHours,
  roomPlan,
  ROOM_C,
  weatherHours,
  type Band,
} from '@tembrin/core/air';
import { HOUR_MS, WEEK_MS } from '@tembrin/core/time';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/what-to-do';

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
  const { nowMs, timeZone } = useMoment();
  const temperatures = usePreferences((state) => state.temperatures);
  const weather = useAir((state) => state.air?.weather ?? null);
  const { place, record, habit } = air;
  const coming = weatherHours(weather).filter(({ at }) => at >= nowMs - HOUR_MS);
  const week = record.hours
    .filter(({ at }) => at >= nowMs - WEEK_MS)
    .map((hour) => ({ ...hour, tempC: hour.tempC ?? ROOM_C }));
  const changesPerHour = DRAUGHTS[place.draught].perHour;
  const plan =
    place.volumeM3 === null
      ? null
      : roomPlan({
          volumeM3: place.volumeM3,
          changesPerHour,
          week: roomHours(week, 0),
          ideal,
          habit,
          ahead: coming,
          tankG: place.tankG,
          dryerG: place.dryerG,
          nowMs,
        });
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
  if (!plan) {
    return <Empty title={copy.nothingReadInThe} text={copy.readAHygrometerHere} />;
  }
  const { action, gramsPerDay, refillHours, tankTooSmall, targetRh } = plan;
  const title = {
    humidify: copy.giveItOfWater(gramsPerDay),
    dehumidify: copy.takeOutOfWater(gramsPerDay),
    leave: copy.leaveItAsIt,
  }[action];
  const how =
    action === 'humidify'
      ? place.tankG === null
        ? copy.aRoomHumidifierDoes
        : tankTooSmall
          ? copy.itsHumidifierHoldsAnd(place.tankG, refillHours!)
          : copy.itsHumidifierHoldsFill(place.tankG, refillHours!)
      : action === 'dehumidify'
        ? place.dryerG === null
          ? copy.aDehumidifierDoesIt
          : gramsPerDay > place.dryerG
            ? copy.itsDehumidifierTakesOut(place.dryerG)
            : copy.itsDehumidifierManagesIt(place.dryerG)
        : copy.theComingDaysKeep(ideal.low, ideal.high);
  return (
    <>
      <Stack gap="small">
        <Text kind="title" level={2}>
          {title}
        </Text>
        <Text>{action === 'leave' ? how : copy.thatHoldsAt({ targetRh, tempC: plan.tempC, temperatures, how })}</Text>
      </Stack>
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          Airing
        </Text>
        <Text>{airingWords()}</Text>
      </Stack>
      <Figures
        rows={[
          ['Room', copy.mAirChangedTimes(place.volumeM3, changesPerHour)],
          ['By itself', `${humidityWords(Math.min(1, plan.rh))} at ${temperatureWords(plan.tempC, temperatures)}`],
          [copy.airThatComesIn, copy.gmOnceInside(plan.supplyGm3)],
          [copy.airThatIsWanted, `${plan.targetGm3.toFixed(1)} g/m³`],
          [
            copy.waterADay,
            `${place.volumeM3} × ${changesPerHour} × 24 × ${Math.abs(plan.targetGm3 - plan.supplyGm3).toFixed(1)} = ${Math.round(place.volumeM3 * changesPerHour * 24 * Math.abs(plan.targetGm3 - plan.supplyGm3))} g`,
          ],
          [
            copy.itRestsOn,
            plan.basis === 'forecast' ? copy.theComingWeekAt(weather?.station, habit!.gainGm3) : copy.theWeekJustPast,
          ],
        ]}
      />
    </>
  );

  function airingWords(): string {
    if (plan!.hours.length === 0) return copy.noWeatherServiceAnswers;
    const spans = plan!.airing.map(
      ({ at, until, rhAfter }) =>
        `${dayWords(at, nowMs, timeZone)} ${clockWords(at, timeZone)} to ${clockWords(until, timeZone)} (to ${humidityWords(rhAfter)})`,
    );
    const now = plan!.hours[0]!;
    const here = copy.openingTheWindowsNow(now.effect, now.outGm3, now.inGm3);
    if (spans.length === 0) {
      return action === 'leave' ? copy.airAsYouLike(here) : copy.inTheNextTwo(here);
    }
    return `${here} It helps ${listWords(spans.slice(0, 3))}.`;
  }
}
