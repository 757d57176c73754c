import { useState } from 'react';
import { View } from 'react-native';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/assessments';
import { useInstrumentOnStand } from '@/state/stand';
import { usePreferences } from '@/state/preferences';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Plank } from '@/ui/Plank';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { humidityWords, movementWords, readNumber } from '@/copy/measures';
import { useMoment } from './where';
import { DAY_MS } from '@tembrin/core/time';
import { equilibriumMoisture, movement, movingPlan, woodParts } from '@tembrin/core/air';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/moving';

const ELSEWHERE = 'elsewhere';
const ROOM_C = 20;

/** Route: how to take an instrument from one climate to another without asking too much of its wood. */
export function Moving() {
  const lengths = usePreferences((state) => state.lengths);
  const known = useAir((state) => state.air);
  const places = usePlaces();
  const { nowMs, timeZone } = useMoment();

  const read = [...places.values()].filter(({ latest }) => latest !== null);
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState<string | null>(null);
  const [typed, setTyped] = useState({ from: '50', to: '35' });
  const [startDays, setStartDays] = useState(0);
  const instrument = useInstrumentOnStand();
  const fromKey = from ?? read[0]?.place.id ?? ELSEWHERE;
  const toKey = to ?? ELSEWHERE;
  const climateOf = (key: string, text: string) => {
    const place = places.get(key);
    if (place) {
      const days = place.record.days.slice(-30);
      const mean = days.reduce((sum, { rh }) => sum + rh, 0) / Math.max(1, days.length);
      return days.length > 0 ? { rh: mean, tempC: ROOM_C } : null;
    }
    const percent = readNumber(text);
    return percent !== null && percent >= 10 && percent <= 90 ? { rh: percent / 100, tempC: ROOM_C } : null;
  };
  const [one, other] = [climateOf(fromKey, typed.from), climateOf(toKey, typed.to)];
  const plan = one && other ? movingPlan(one, other, nowMs + startDays * DAY_MS) : null;
  const body = instrument ? woodParts(instrument)[0] : undefined;
  const moves =
    body && one && other
      ? movement(body, equilibriumMoisture(one.rh, ROOM_C), equilibriumMoisture(other.rh, ROOM_C)).mm
      : null;
  const options = [
    ...read.map(({ place }) => ({ value: place.id, title: place.name })),
    { value: ELSEWHERE, title: 'Somewhere else' },
  ];
  if (!known) return null;
  return (
    <Screen title={copy.movingBetweenClimates} back="/air">
      <Text tone="quiet">{copy.woodTakesABig}</Text>
      <Choice label="From" options={options} value={fromKey} onChange={setFrom} />
      {fromKey === ELSEWHERE && (
        <Field
          label={copy.usualHumidityThereIn}
          inputMode="decimal"
          value={typed.from}
          onChangeText={(value) => setTyped({ ...typed, from: value })}
          error={one ? undefined : copy.writeAHumidityBetween}
        />
      )}
      <Choice label="To" options={options} value={toKey} onChange={setTo} />
      {toKey === ELSEWHERE && (
        <Field
          label={copy.usualHumidityWhereIt}
          inputMode="decimal"
          value={typed.to}
          onChangeText={(value) => setTyped({ ...typed, to: value })}
          error={other ? undefined : copy.writeAHumidityBetween}
        />
      )}
      <Choice
        label="It leaves"
        options={[
          { value: 0, title: 'Today' },
          { value: 14, title: copy.inTwoWeeks },
          { value: 30, title: copy.inAMonth },
          { value: 90, title: copy.inThreeMonths },
        ]}
        value={startDays}
        onChange={setStartDays}
      />
      {plan && one && other && (
        <Stack gap="small">
          <Text kind="title" level={2}>
            {plan.steps.length === 0
              ? copy.nothingToArrange
              : `${plan.steps.length} ${plan.steps.length === 1 ? 'step' : 'steps'}, done by ${dateWords(plan.doneMs, nowMs, timeZone)}`}
          </Text>
          <Text>
            {copy.fromTo({
              fromRh: one.rh,
              toRh: other.rh,
              fromMoisture: plan.fromMoisture,
              toMoisture: plan.toMoisture,
              top:
                moves !== null && instrument ? { name: instrument.name, moves: movementWords(moves, lengths) } : null,
              steps: plan.steps.length,
            })}
          </Text>
          <View role="list" aria-label={copy.stepsOfTheMove}>
            {plan.steps.map(({ fromMs, toMs, rh, moisture }, at) => (
              <Row key={fromMs} role="listitem" padY="half" gap="one" align="center" rule="top">
                <Text kind="title" minWidth={74}>
                  {humidityWords(rh)}
                </Text>
                <Stack grow>
                  <Text kind="strong">{`From ${dateWords(fromMs, nowMs, timeZone)}`}</Text>
                  <Text kind="small" tone="quiet">
                    {copy.stepForWater(at + 1, toMs - fromMs, (moisture * 100).toFixed(1))}
                  </Text>
                </Stack>
                <Plank
                  restRh={rh}
                  band={{ low: Math.min(one.rh, other.rh), high: Math.max(one.rh, other.rh) }}
                  tone="accent"
                  label={copy.theWoodAt(rh)}
                  width={92}
                  height={34}
                />
              </Row>
            ))}
          </View>
          <Text kind="small" tone="quiet">
            {copy.aStepAsksFor}
          </Text>
        </Stack>
      )}
    </Screen>
  );
}
