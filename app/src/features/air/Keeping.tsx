import { useState } from 'react';
import { View } from 'react-native';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/assessments';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { clockWords, lastingWords } from '@/copy/dates';
import { readTemperature, temperatureFigure, temperatureWords } from '@/copy/measures';
import { useMoment } from './where';
import {
  CAR_GAIN_C,
  FOLK_REMEDIES,
  GLUE_SOFTENS_C,
  KEEPING_RULES,
  WARM_THROUGH_H,
  warmThrough,
  weatherHours,
} from '@tembrin/core/air';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import type { CaseKind } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';

const CASES: readonly { value: CaseKind; title: string }[] = [
  { value: 'hard', title: 'Hard case' },
  { value: 'soft', title: 'Soft case' },
];

/** Route: on the way and left alone: the car, a case from the cold, where not to put it, and home remedies. */
export function Keeping() {
  const { nowMs, timeZone } = useMoment();
  const temperatures = usePreferences((state) => state.temperatures);
  const weather = weatherHours(useAir((state) => state.air?.weather ?? null));
  const places = [...usePlaces().values()].filter(
    ({ place, latest }) => place.kind === 'room' && latest?.tempC != null,
  );
  const [placeId, setPlaceId] = useState<string | null>(null);
  const [kind, setKind] = useState<CaseKind>('hard');
  const [text, setText] = useState<string | null>(null);
  const today = weather.filter(({ at }) => at >= nowMs - HOUR_MS && at < nowMs + DAY_MS);
  const out = today[0]?.tempC ?? null;
  const warmest = today.length > 0 ? Math.max(...today.map(({ tempC }) => tempC)) : null;
  const room = places.find(({ place }) => place.id === placeId) ?? places[0];
  const typed = text ?? (out === null ? '' : temperatureFigure(out, temperatures));
  const caseC = typed.trim() === '' ? null : readTemperature(typed, temperatures);
  const through =
    room && typeof caseC === 'number'
      ? warmThrough(caseC, { rh: room.latest!.rh, tempC: room.latest!.tempC! }, WARM_THROUGH_H[kind])
      : null;
  return (
    <Screen title="On the way, and left alone" back="/air">
      <Stack gap="small">
        <Text kind="heading" level={2}>
          A case from the cold
        </Text>
        {room ? (
          <>
            {places.length > 1 && (
              <Choice
                label="Brought into"
                options={places.map(({ place }) => ({ value: place.id, title: place.name }))}
                value={room.place.id}
                onChange={setPlaceId}
              />
            )}
            <Choice label="In its" options={CASES} value={kind} onChange={setKind} />
            <Field
              label={`How cold it was on the way, in °${temperatures}`}
              inputMode="decimal"
              value={typed}
              onChangeText={setText}
              error={typeof caseC === 'string' ? caseC : undefined}
            />
            {through && (
              <Banner
                tone={through.sweats ? 'now' : 'well'}
                text={
                  through.openAfterMs === 0
                    ? 'It is warm enough: open it.'
                    : `${through.sweats ? 'Opened now it would sweat' : 'It would not sweat, but it is still cold'}: the room’s dew point is ${temperatureWords(through.dewPointC, temperatures)}. Leave it closed for ${lastingWords(through.openAfterMs)}, until ${clockWords(nowMs + through.openAfterMs, timeZone)}.`
                }
              />
            )}
            <Text kind="small" tone="quiet">
              {`Newton’s cooling with a time constant of ${WARM_THROUGH_H[kind]} h for this case (from memory); opened when it is within two degrees of the room.`}
            </Text>
          </>
        ) : (
          <Text>
            Leave it closed until it has warmed through, two to five hours. With a room on record and its temperature
            read, the time can be told.
          </Text>
        )}
      </Stack>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          A parked car
        </Text>
        <Text>
          {warmest === null
            ? `In the sun a car gets about ${CAR_GAIN_C} °C warmer than the day within the hour; glue softens from ${GLUE_SOFTENS_C} °C. It comes along when you get out.`
            : `Today at most ${temperatureWords(warmest, temperatures, 0)} outside: in the sun a parked car reaches about ${temperatureWords(warmest + CAR_GAIN_C, temperatures, 0)}. Glue softens from ${temperatureWords(GLUE_SOFTENS_C, temperatures, 0)}${warmest + CAR_GAIN_C >= GLUE_SOFTENS_C ? ': not even for a minute' : ''}. It comes along when you get out.`}
        </Text>
      </Stack>
      <View>
        <Text kind="heading" level={2}>
          Left alone
        </Text>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <Stack key={id} padY="small" rule="top">
            <Text kind="strong">{title}</Text>
            <Text kind="small" tone="quiet">
              {does}
            </Text>
          </Stack>
        ))}
        <Text kind="small" tone="quiet">
          A guitar that plays differently after a week alone: look at its neck relief first, with the air of that week
          beside it under Air.
        </Text>
      </View>
      <View>
        <Text kind="heading" level={2}>
          Home remedies
        </Text>
        {FOLK_REMEDIES.map(({ id, asked, answer }) => (
          <Stack key={id} padY="small" rule="top">
            <Text kind="strong">{asked}</Text>
            <Text kind="small">{answer}</Text>
          </Stack>
        ))}
      </View>
    </Screen>
  );
}
