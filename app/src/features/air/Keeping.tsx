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
import { readTemperature, temperatureFigure } from '@/copy/measures';
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
import { copy } from '@/copy/screens/air/keeping';

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
    <Screen title={copy.onTheWayAnd} back="/air">
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.aCaseFromThe}
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
              label={copy.howColdItWas(temperatures)}
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
                    ? copy.itIsWarmEnough
                    : copy.theRoomsDewPoint({
                        sweats: through.sweats,
                        dewPointC: through.dewPointC,
                        temperatures,
                        openAfterMs: through.openAfterMs,
                        openAt: nowMs + through.openAfterMs,
                        timeZone,
                      })
                }
              />
            )}
            <Text kind="small" tone="quiet">
              {copy.newtonsCoolingWithA(WARM_THROUGH_H[kind])}
            </Text>
          </>
        ) : (
          <Text>{copy.leaveItClosedUntil}</Text>
        )}
      </Stack>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.aParkedCar}
        </Text>
        <Text>
          {warmest === null
            ? copy.inTheSunA(CAR_GAIN_C, GLUE_SOFTENS_C)
            : copy.todayAtMostOutside({
                warmest,
                temperatures,
                inCarC: warmest + CAR_GAIN_C,
                softensC: GLUE_SOFTENS_C,
              })}
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
          {copy.aGuitarThatPlays}
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
