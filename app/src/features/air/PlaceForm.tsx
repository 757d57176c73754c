import type { Place } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useAir } from '@/state/air';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { monthName } from '@/copy/dates';
import { livesIn, useRoutePlace } from './where';
import { DRAUGHTS, type Draught } from '@tembrin/core/air';
import { Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { volumeUnit, waterUnit } from '@/copy/amounts';
import { copy } from '@/copy/screens/air/place-form';
import { usePlaceForm, type PlaceFormModel } from './use-place-form';

const MONTHS = Array.from({ length: 12 }, (_, at) => ({ value: at + 1, title: monthName(at) }));
const DRAUGHT_OPTIONS = (Object.keys(DRAUGHTS) as Draught[]).map((value) => ({ value, title: DRAUGHTS[value].name }));

/** Route: add a room or a case, and say who lives there. */
export function AddPlace() {
  return <PlaceForm place={null} />;
}

/** Route: change or remove a place. */
export function ChangePlace() {
  const air = useRoutePlace();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return air ? <PlaceForm key={air.place.version} place={air.place} /> : <Redirect href="/air" />;
}

function PlaceForm({ place }: { place: Place | null }) {
  const model = usePlaceForm({ place });
  const { facts, errors, problem, busy, room, rooms, change, save, remove } = model;

  return (
    <Screen
      title={place ? `Change ${place.name}` : copy.aRoomOrA}
      back={place ? { pathname: '/air/[place]', params: { place: place.id } } : '/air'}
      foot={
        <>
          <Button title={place ? 'Save' : PUT_ON_RECORD} busy={busy} onPress={() => void save()} />
          {place && <Button rank="plain" title={copy.removeThisPlace} onPress={() => void remove()} />}
        </>
      }
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="more">
        {!place && (
          <Choice
            label={copy.whatItIs}
            options={[
              { value: 'room', title: 'A room' },
              { value: 'case', title: copy.aCaseWithIts },
            ]}
            value={facts.kind}
            onChange={(kind) => change({ kind, roomId: kind === 'room' ? null : facts.roomId })}
          />
        )}
        <Field label="Name" value={facts.name} onChangeText={(name) => change({ name })} error={errors.name} />
        {!room && rooms.length > 0 && (
          <Choice
            label={copy.theRoomItStands}
            options={rooms.map(({ id, name }) => ({ value: id, title: name }))}
            value={facts.roomId}
            onChange={(roomId) => change({ roomId })}
          />
        )}
        <Who model={model} />
        <RoomFacts model={model} />
        {!room && <Text tone="quiet">{copy.aCaseWithoutA}</Text>}
      </Stack>
    </Screen>
  );
}

/** Who lives in it, and how. */
function Who({ model }: { model: PlaceFormModel }) {
  const { all, place, who, setWho, room, cased, setCased } = model;
  return (
    <>
      {all.length > 0 && (
        <Choices
          label={place ? copy.whoMovesInNow : copy.whoLivesHere}
          options={all
            .filter(({ log }) => !place || livesIn(log)?.placeId !== place.id)
            .map(({ facts: { id, name } }) => ({ value: id, title: name }))}
          values={who}
          onChange={setWho}
        />
      )}
      {room && who.length > 0 && (
        <Choice
          label={copy.howTheyAreKept}
          options={[
            { value: true, title: copy.inClosedCases },
            { value: false, title: copy.inTheOpen },
          ]}
          value={cased}
          onChange={setCased}
        />
      )}
    </>
  );
}

/** What a room alone has. */
function RoomFacts({ model }: { model: PlaceFormModel }) {
  const { room, numbers, setNumbers, errors, facts, change } = model;
  if (!room) return null;
  return (
    <>
      <Field
        label={copy.volumeIn(volumeUnit())}
        hint={copy.lengthWidthHeightIn(volumeUnit())}
        inputMode="decimal"
        value={numbers.volumeM3}
        onChangeText={(volumeM3) => setNumbers({ ...numbers, volumeM3 })}
        error={errors.volumeM3}
      />
      <Choice
        label={copy.howDraughtyItIs}
        options={DRAUGHT_OPTIONS}
        value={facts.draught}
        onChange={(draught) => change({ draught })}
      />
      <Choice
        label="Heating"
        options={[
          { value: true, title: copy.heatedInTheSeason },
          { value: false, title: 'Not heated' },
        ]}
        value={facts.heating !== null}
        onChange={(heated) => change({ heating: heated ? { from: 10, to: 4 } : null })}
      />
      {facts.heating && (
        <Stack gap="half">
          <Choice
            label={copy.heatingComesOnIn}
            options={MONTHS}
            value={facts.heating.from}
            onChange={(from) => change({ heating: { ...facts.heating!, from } })}
          />
          <Choice
            label={copy.andIsOnUntil}
            options={MONTHS}
            value={facts.heating.to}
            onChange={(to) => change({ heating: { ...facts.heating!, to } })}
          />
        </Stack>
      )}
      <Field
        label={copy.humidifierWaterOfOne(waterUnit())}
        hint={copy.leaveItEmptyWhere}
        inputMode="decimal"
        value={numbers.tankG}
        onChangeText={(tankG) => setNumbers({ ...numbers, tankG })}
        error={errors.tankG}
      />
      <Field
        label={copy.dehumidifierWaterADay(waterUnit())}
        hint={copy.leaveItEmptyWhere}
        inputMode="decimal"
        value={numbers.dryerG}
        onChangeText={(dryerG) => setNumbers({ ...numbers, dryerG })}
        error={errors.dryerG}
      />
    </>
  );
}
