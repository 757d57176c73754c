import type { Instrument, Weather } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useAir } from '@/state/air';
import { useHere } from '@/state/here';
import { act } from '@/state/actions';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { becauseWords } from '@/copy/because';
import { HOUR_MS } from '@tembrin/core/time';
import { packingRound, type PackingStepId } from '@tembrin/core/routines';
import { weatherHours } from '@tembrin/core/air';
import { Press, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/packing';

/** Route: what to look at before the instrument on the stand leaves home. */
export function Packing() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Check key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Check({ instrument }: { instrument: Instrument }) {
  const assessment = useHere(instrument);
  const weather = useAir((state) => state.air?.weather ?? null);
  const steps = packingRound(assessment, warmestC(weather, assessment.log.nowMs));
  const [looked, setLooked] = useState<readonly PackingStepId[]>([]);
  const left = steps.filter(({ step }) => !looked.includes(step)).length;
  const toggle = (step: PackingStepId) =>
    setLooked((before) => (before.includes(step) ? before.filter((other) => other !== step) : [...before, step]));
  const packed = async () => {
    router.replace('/bench');
    await act(instrument.id, [{ type: 'packed', payload: {} }], copy.packedForTheWay);
  };
  return (
    <Screen
      title="Leaving home"
      back="/bench"
      foot={
        <Button
          title={left === 0 ? 'Packed' : copy.stillToLookAt(left)}
          disabled={left > 0}
          onPress={() => void packed()}
        />
      }
    >
      <Text tone="quiet">{instrument.name}</Text>
      <View>
        {steps.map(({ step, data, because }) => (
          <CheckRow
            key={step}
            title={data.title}
            detail={`${because ? `${becauseWords(because)} ` : ''}${data.how.join(' ')} ${data.why}`}
            on={looked.includes(step)}
            onPress={() => toggle(step)}
          />
        ))}
      </View>
    </Screen>
  );
}

const AHEAD_MS = 12 * HOUR_MS;

/** The warmest of the coming hours; null where no weather is known. */
function warmestC(weather: Weather | null, nowMs: number): number | null {
  const hours = weatherHours(weather).filter(({ at }) => at >= nowMs - HOUR_MS && at < nowMs + AHEAD_MS);
  return hours.length === 0 ? null : Math.max(...hours.map(({ tempC }) => tempC));
}

function CheckRow({ title, detail, on, onPress }: { title: string; detail: string; on: boolean; onPress: () => void }) {
  const { edge, accent, onAccent } = usePalette();
  return (
    <Press
      role="checkbox"
      aria-checked={on}
      aria-label={`${title}. ${detail}`}
      onPress={onPress}
      row
      padY="half"
      gap="one"
      align="center"
      minHeight={72}
      rule="bottom"
    >
      <Svg width={32} height={32} viewBox="0 0 32 32" aria-hidden>
        <Circle cx={16} cy={16} r={13} fill={on ? accent : 'none'} stroke={on ? accent : edge} strokeWidth={2} />
        {on && <Path d="M9.5 16.5L14 21L22.5 11.5" stroke={onAccent} strokeWidth={3} fill="none" />}
      </Svg>
      <Stack grow>
        <Text kind="strong">{title}</Text>
        <Text kind="small" tone="quiet">
          {detail}
        </Text>
      </Stack>
    </Press>
  );
}
