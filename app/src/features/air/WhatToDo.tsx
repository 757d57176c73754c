import { Redirect } from 'expo-router';
import { useAir } from '@/state/air';
import { usePlaces, type KnownPlace } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { refillWords, tankWords } from '@/copy/air';
import { clockWords, dayWords } from '@/copy/dates';
import { humidityWords, temperatureWords, waterWords } from '@/copy/measures';
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
    <Screen title="What to do" back={{ pathname: '/air/[place]', params: { place: place.id } }}>
      <Text tone="quiet">{place.name}</Text>
      {place.kind === 'case' && (
        <Text>
          {room
            ? `A case follows its room. Put ${room.place.name} right first; in the case, a humidifier or a two-way pack takes up the slack.`
            : 'Say in which room this case stands, and the water it takes can be reckoned.'}
        </Text>
      )}
      {room && <RoomFigures air={room} ideal={idealOf(residents.map(({ schools }) => schools.air))} />}
      {residents
        .filter(({ instrument, log }) => instrument.setUp.humidifier || log.weighings.length > 0)
        .map(({ instrument, log }) => (
          <HumidifierWeighings key={instrument.id} instrument={instrument} weighings={log.weighings} />
        ))}
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          In any case
        </Text>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <Text key={id} kind="small">{`${title}: ${does}`}</Text>
        ))}
        <Button
          rank="plain"
          title="Home remedies, journeys, going away"
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
      <Empty title="How large is the room?" text="With its volume the water it takes can be reckoned.">
        <Button
          rank="outline"
          title="Say how large it is"
          onPress={() => router.push({ pathname: '/air/[place]/change', params: { place: place.id } })}
          start
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
          ? `Its humidifier holds ${waterWords(place.tankG)} and would be empty within ${tankWords(refillHours!)}: fill it morning and evening, and look for a larger one.`
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
      <Stack gap="small">
        <Text kind="title" level={2}>
          {title}
        </Text>
        <Text>
          {action === 'leave'
            ? how
            : `That holds ${humidityWords(targetRh)} at ${temperatureWords(plan.tempC, temperatures, 0)}. ${how}`}
        </Text>
      </Stack>
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          Airing
        </Text>
        <Text>{airingWords()}</Text>
      </Stack>
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
