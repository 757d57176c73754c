import { newPlaceSchema, placeChangeSchema, type Place, type PlaceChange } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { changeAir, useAir } from '@/state/air';
import { Refused, sentenceOf } from '@/state/api';
import { useAllAssessments } from '@/state/assessments';
import { enter } from '@/state/actions';
import { written } from '@/state/log';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { monthName } from '@/copy/dates';
import { readNumber } from '@/copy/measures';
import { livesIn, useRoutePlace } from './where';
import { DRAUGHTS, type Draught } from '@tembrin/core/air';
import { Stack } from '@/ui/layout';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/air/place-form';

const MONTHS = Array.from({ length: 12 }, (_, at) => ({ value: at + 1, title: monthName(at) }));
const DRAUGHT_OPTIONS = (Object.keys(DRAUGHTS) as Draught[]).map((value) => ({ value, title: DRAUGHTS[value].name }));

const NEW: PlaceChange = {
  kind: 'room',
  name: '',
  roomId: null,
  volumeM3: null,
  draught: 'ordinary',
  heating: { from: 10, to: 4 },
  tankG: null,
  dryerG: null,
};

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

const numberText = (value: number | null) => (value === null ? '' : String(value));

function PlaceForm({ place }: { place: Place | null }) {
  const places = useAir((state) => state.air?.places ?? []);
  const all = useAllAssessments();
  const [facts, setFacts] = useState<PlaceChange>(place ?? NEW);
  const [numbers, setNumbers] = useState({
    volumeM3: numberText(facts.volumeM3),
    tankG: numberText(facts.tankG),
    dryerG: numberText(facts.dryerG),
  });
  const nowhere = all.filter(({ log }) => livesIn(log) === null).map(({ facts: { id } }) => id);
  const [who, setWho] = useState<readonly string[]>(place ? [] : nowhere);
  const [cased, setCased] = useState(true);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const room = facts.kind === 'room';
  const rooms = places.filter((each) => each.kind === 'room' && each.id !== place?.id);
  const change = (more: Partial<PlaceChange>) => {
    setErrors({});
    setFacts((before) => ({ ...before, ...more }));
  };

  const save = async () => {
    const wanted: Record<string, unknown> = { ...facts, ...(!room && { heating: null }) };
    const wrong: Record<string, string> = {};
    for (const key of ['volumeM3', 'tankG', 'dryerG'] as const) {
      const value = numbers[key].trim() === '' ? null : readNumber(numbers[key]);
      if (value === null && numbers[key].trim() !== '') wrong[key] = copy.writeANumberOr;
      wanted[key] = room ? value : null;
    }
    const { id: placeId, version: _version, ...rest } = wanted as Partial<Place>;
    const checked = place
      ? placeChangeSchema.safeParse(rest)
      : newPlaceSchema.safeParse({ ...rest, id: placeId ?? uuid() });
    if (!checked.success) for (const { path, message } of checked.error.issues) wrong[path.join('.')] ??= message;
    if (Object.keys(wrong).length > 0 || !checked.success) return setErrors(wrong);
    setBusy(true);
    setProblem(null);
    try {
      const made = place
        ? await changeAir('changePlace', { params: { id: place.id }, version: place.version, body: checked.data })
        : await changeAir('addPlace', { body: checked.data as Place });
      const moves = who.map((instrumentId) =>
        written(instrumentId, { type: 'moved', payload: { placeId: made.id, cased: !room || cased } }),
      );
      router.replace({ pathname: '/air/[place]', params: { place: made.id } });
      await enter(moves, place ? 'Changed.' : copy.isOnRecord(made.name));
    } catch (error) {
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  const remove = async () => {
    if (!place) return;
    try {
      await changeAir('removePlace', { params: { id: place.id }, version: place.version });
      router.replace('/air');
      const { version: _version, ...same } = place;
      notify(`${place.name} is removed.`, async () => {
        await changeAir('addPlace', { body: same });
      });
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };

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
        {room && (
          <>
            <Field
              label={copy.volumeInM}
              hint={copy.lengthWidthHeightIn}
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
              label={copy.humidifierWaterOfOne}
              hint={copy.leaveItEmptyWhere}
              inputMode="decimal"
              value={numbers.tankG}
              onChangeText={(tankG) => setNumbers({ ...numbers, tankG })}
              error={errors.tankG}
            />
            <Field
              label={copy.dehumidifierWaterADay}
              hint={copy.leaveItEmptyWhere}
              inputMode="decimal"
              value={numbers.dryerG}
              onChangeText={(dryerG) => setNumbers({ ...numbers, dryerG })}
              error={errors.dryerG}
            />
          </>
        )}
        {!room && <Text tone="quiet">{copy.aCaseWithoutA}</Text>}
      </Stack>
    </Screen>
  );
}
