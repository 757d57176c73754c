import {
  CAR_GAIN_C,
  FOLK_REMEDIES,
  GLUE_SOFTENS_C,
  KEEPING_RULES,
  WARM_THROUGH_H,
  warmThrough,
  type CaseKind,
} from '@tembrin/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/condition';
import { weatherHours } from '@tembrin/contract';
import { useLook } from '@/state/look';
import { Banner } from '@/ui/Banner';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, lastingWords } from '@/words/dates';
import { readTemperature, temperatureWords } from '@/words/measures';
import { useMoment } from './where';

const CASES: readonly { value: CaseKind; title: string }[] = [
  { value: 'hard', title: 'Hard case' },
  { value: 'soft', title: 'Soft case' },
];

/** Route: on the way and left alone: the car, a case from the cold, where not to put it, and home remedies. */
export function Keeping() {
  const { line } = usePalette();
  const { nowMs, timeZone } = useMoment();
  const temperatures = useLook((state) => state.temperatures);
  const weather = weatherHours(useAir((state) => state.air?.weather ?? null));
  const places = [...usePlaces().values()].filter(
    ({ place, latest }) => place.kind === 'room' && latest?.tempC != null,
  );
  const [placeId, setPlaceId] = useState<string | null>(null);
  const [kind, setKind] = useState<CaseKind>('hard');
  const [text, setText] = useState<string | null>(null);
  const today = weather.filter(({ at }) => at >= nowMs - 3_600_000 && at < nowMs + 24 * 3_600_000);
  const out = today[0]?.tempC ?? null;
  const warmest = today.length > 0 ? Math.max(...today.map(({ tempC }) => tempC)) : null;
  const room = places.find(({ place }) => place.id === placeId) ?? places[0];
  const typed = text ?? (out === null ? '' : temperatureWords(out, temperatures, 0).replace(/ .*/, ''));
  const caseC = typed.trim() === '' ? null : readTemperature(typed, temperatures);
  const through =
    room && typeof caseC === 'number'
      ? warmThrough(caseC, { rh: room.latest!.rh, tempC: room.latest!.tempC! }, WARM_THROUGH_H[kind])
      : null;
  return (
    <Screen title="On the way, and left alone" back="/air">
      <View style={{ gap: GAP.small }}>
        <Words kind="heading" level={2}>
          A case from the cold
        </Words>
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
            <Words kind="small" tone="quiet">
              {`Newton’s cooling with a time constant of ${WARM_THROUGH_H[kind]} h for this case (from memory); opened when it is within two degrees of the room.`}
            </Words>
          </>
        ) : (
          <Words>
            Leave it closed until it has warmed through, two to five hours. With a room on record and its temperature
            read, the time can be told.
          </Words>
        )}
      </View>
      <View style={{ gap: GAP.small }}>
        <Words kind="heading" level={2}>
          A parked car
        </Words>
        <Words>
          {warmest === null
            ? `In the sun a car gets about ${CAR_GAIN_C} °C warmer than the day within the hour; glue softens from ${GLUE_SOFTENS_C} °C. It comes along when you get out.`
            : `Today at most ${temperatureWords(warmest, temperatures, 0)} outside: in the sun a parked car reaches about ${temperatureWords(warmest + CAR_GAIN_C, temperatures, 0)}. Glue softens from ${temperatureWords(GLUE_SOFTENS_C, temperatures, 0)}${warmest + CAR_GAIN_C >= GLUE_SOFTENS_C ? ': not even for a minute' : ''}. It comes along when you get out.`}
        </Words>
      </View>
      <View>
        <Words kind="heading" level={2}>
          Left alone
        </Words>
        {KEEPING_RULES.filter(({ id }) => id !== 'car').map(({ id, title, does }) => (
          <View key={id} style={{ borderTopWidth: 1, borderTopColor: line, paddingVertical: GAP.small }}>
            <Words kind="strong">{title}</Words>
            <Words kind="small" tone="quiet">
              {does}
            </Words>
          </View>
        ))}
        <Words kind="small" tone="quiet">
          A guitar that plays differently after a week alone: look at its neck relief first, with the air of that week
          beside it under Air.
        </Words>
      </View>
      <View>
        <Words kind="heading" level={2}>
          Home remedies
        </Words>
        {FOLK_REMEDIES.map(({ id, asked, answer }) => (
          <View key={id} style={{ borderTopWidth: 1, borderTopColor: line, paddingVertical: GAP.small }}>
            <Words kind="strong">{asked}</Words>
            <Words kind="small">{answer}</Words>
          </View>
        ))}
      </View>
    </Screen>
  );
}
