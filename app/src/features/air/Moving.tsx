import { fixed } from '@/copy/numbers';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Plank } from '@/ui/Plank';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { humidityWords, movementWords } from '@/copy/measures';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/moving';
import { useMoving, ELSEWHERE, type MovingModel } from './use-moving';

/** Route: how to take an instrument from one climate to another without asking too much of its wood. */
export function Moving() {
  const model = useMoving();
  const { known, startDays, setStartDays } = model;
  if (!known) return null;
  return (
    <Screen title={copy.movingBetweenClimates} back="/air">
      <Text tone="quiet">{copy.woodTakesABig}</Text>
      <Climates model={model} />
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
      <Plan model={model} />
    </Screen>
  );
}

/** Whence and whither. */
function Climates({ model }: { model: MovingModel }) {
  const { options, fromKey, setFrom, typed, setTyped, one, toKey, setTo, other } = model;
  return (
    <>
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
    </>
  );
}

function Plan({ model }: { model: MovingModel }) {
  const { plan, one, other, nowMs, timeZone, moves, instrument, lengths } = model;
  if (!(plan && one && other)) return null;
  return (
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
          top: moves !== null && instrument ? { name: instrument.name, moves: movementWords(moves, lengths) } : null,
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
                {copy.stepForWater(at + 1, toMs - fromMs, fixed(moisture * 100, 1))}
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
        {copy.aStepAsksFor()}
      </Text>
    </Stack>
  );
}
