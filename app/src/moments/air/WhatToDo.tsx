import { BANDS, DRAUGHTS, KEEPING_RULES, roomPlan, ROOM_C, type Band } from '@tembrin/core';
import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { useAir } from '@/state/air';
import { roomHours, weatherHours, type PlaceAir } from '@tembrin/contract';
import { usePlaces } from '@/state/condition';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { refillWords } from '@/words/air';
import { clockWords, dayWords } from '@/words/dates';
import { humidityWords, temperatureWords, waterWords } from '@/words/measures';
import { listWords } from '@/words/moment';
import { HumidifierWeighings } from './HumidifierWeighings';
import { useMoment, useResidents, useRoutePlace } from './where';
import { router } from 'expo-router';

/** Route: what to do for a room or a case, in figures. */
export function WhatToDo() {
  const air = useRoutePlace();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return air ? <Plan key={air.place.id} air={air} /> : <Redirect href="/air" />;
}

function Plan({ air }: { air: PlaceAir }) {
  const { place } = air;
  const places = usePlaces();
  const room = place.kind === 'case' && place.roomId ? (places.get(place.roomId) ?? null) : air;
  const residents = useResidents(place.id);
  return (
    <Screen title="What to do" back={{ pathname: '/air/[place]', params: { place: place.id } }}>
      <Words tone="quiet">{place.name}</Words>
      {place.kind === 'case' && (
        <Words>
          {room
            ? `A case follows its room. Put ${room.place.name} right first; in the case, a humidifier or a two-way pack takes up the slack.`
            : 'Say in which room this case stands, and the water it takes can be reckoned.'}
        </Words>
      )}
      {room && <RoomFigures air={room} ideal={idealOf(residents.map(({ judged }) => judged.schools.air))} />}
      {residents
        .filter(({ instrument, judged }) => instrument.setUp.humidifier || judged.log.weighings.length > 0)
        .map(({ instrument, judged }) => (
          <HumidifierWeighings key={instrument.id} instrument={instrument} weighings={judged.log.weighings} />
        ))}
      <View style={{ gap: GAP.hair }}>
        <Words kind="heading" level={2}>
          In any case
        </Words>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <Words key={id} kind="small">{`${title}: ${does}`}</Words>
        ))}
        <Button
          rank="plain"
          title="Home remedies, journeys, going away"
          onPress={() => router.push('/air/keeping')}
          style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
        />
      </View>
    </Screen>
  );
}

/** The ideal band of those who live here: what suits all their schools; the balanced one where nobody lives. */
function idealOf(schools: readonly string[]): Band {
  const bands = schools.filter((school) => school === 'A' || school === 'B').map((school) => BANDS[school].ideal);
  if (bands.length === 0) return BANDS.A.ideal;
  return { low: Math.max(...bands.map(({ low }) => low)), high: Math.min(...bands.map(({ high }) => high)) };
}

function RoomFigures({ air, ideal }: { air: PlaceAir; ideal: Band }) {
  const { nowMs, timeZone } = useMoment();
  const temperatures = useLook((state) => state.temperatures);
  const weather = useAir((state) => state.air?.weather ?? null);
  const { place, record, habit } = air;
  const coming = weatherHours(weather).filter(({ at }) => at >= nowMs - 3_600_000);
  const week = record.hours
    .filter(({ at }) => at >= nowMs - 7 * 86_400_000)
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
      <Empty title="How large is the room?" text="With its volume the water it takes can be reckoned.">
        <Button
          rank="outline"
          title="Say how large it is"
          onPress={() => router.push({ pathname: '/air/[place]/change', params: { place: place.id } })}
          style={{ alignSelf: 'flex-start' }}
        />
      </Empty>
    );
  }
  if (!plan) {
    return <Empty title="Nothing read in the last week" text="Read a hygrometer here, and this page has figures." />;
  }
  const { action, gramsPerDay, refillHours, tankTooSmall, targetRh } = plan;
  const title = {
    humidify: `Give it ${waterWords(gramsPerDay)} of water a day`,
    dehumidify: `Take out ${waterWords(gramsPerDay)} of water a day`,
    leave: 'Leave it as it is',
  }[action];
  const how =
    action === 'humidify'
      ? place.tankG === null
        ? 'A room humidifier does it; say in the room’s facts how much one filling holds.'
        : tankTooSmall
          ? `Its humidifier holds ${waterWords(place.tankG)} and would be empty ${refillWords(refillHours!).replace('every', 'within')}: fill it morning and evening, and look for a larger one.`
          : `Its humidifier holds ${waterWords(place.tankG)}: fill it ${refillWords(refillHours!)}.`
      : action === 'dehumidify'
        ? place.dryerG === null
          ? 'A dehumidifier does it; until then, air when the hours below say so.'
          : gramsPerDay > place.dryerG
            ? `Its dehumidifier takes out ${waterWords(place.dryerG)} a day at most: it cannot keep up alone.`
            : `Its dehumidifier manages: it takes out up to ${waterWords(place.dryerG)} a day.`
        : `The coming days keep it within ${humidityWords(ideal.low)} to ${humidityWords(ideal.high)}.`;
  return (
    <>
      <View style={{ gap: GAP.small }}>
        <Words kind="title" level={2}>
          {title}
        </Words>
        <Words>
          {action === 'leave'
            ? how
            : `That holds ${humidityWords(targetRh)} at ${temperatureWords(plan.tempC, temperatures, 0)}. ${how}`}
        </Words>
      </View>
      <View style={{ gap: GAP.hair }}>
        <Words kind="heading" level={2}>
          Airing
        </Words>
        <Words>{airingWords()}</Words>
      </View>
      <Figures
        rows={[
          ['Room', `${place.volumeM3} m³, air changed ${changesPerHour} times an hour`],
          ['By itself', `${humidityWords(Math.min(1, plan.rh))} at ${temperatureWords(plan.tempC, temperatures)}`],
          ['Air that comes in', `${plan.supplyGm3.toFixed(1)} g/m³ once inside`],
          ['Air that is wanted', `${plan.targetGm3.toFixed(1)} g/m³`],
          [
            'Water a day',
            `${place.volumeM3} × ${changesPerHour} × 24 × ${Math.abs(plan.targetGm3 - plan.supplyGm3).toFixed(1)} = ${Math.round(place.volumeM3 * changesPerHour * 24 * Math.abs(plan.targetGm3 - plan.supplyGm3))} g`,
          ],
          [
            'It rests on',
            plan.basis === 'forecast'
              ? `the coming week at ${weather?.station ?? ''}, and what this room adds: ${habit!.gainGm3.toFixed(1)} g/m³`
              : 'the week just past; no weather is known',
          ],
        ]}
      />
    </>
  );

  function airingWords(): string {
    if (plan!.hours.length === 0) return 'No weather service answers, so the hours for airing are not known.';
    const spans = plan!.airing.map(
      ({ at, until, rhAfter }) =>
        `${dayWords(at, nowMs, timeZone)} ${clockWords(at, timeZone)} to ${clockWords(until, timeZone)} (to ${humidityWords(rhAfter)})`,
    );
    const now = plan!.hours[0]!;
    const here = `Opening the windows now ${now.effect === 'same' ? 'changes little' : now.effect} (${now.outGm3.toFixed(1)} g/m³ outside, ${now.inGm3.toFixed(1)} inside).`;
    if (spans.length === 0) {
      return action === 'leave'
        ? `${here} Air as you like, shortly.`
        : `${here} In the next two days airing does not help: keep it short.`;
    }
    return `${here} It helps ${listWords(spans.slice(0, 3))}.`;
  }
}
