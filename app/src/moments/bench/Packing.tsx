import { packingRound, type PackingStepId } from '@tembrin/core';
import type { Instrument, Weather } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useAir } from '@/state/air';
import { useJudged } from '@/state/condition';
import { act } from '@/state/doing';
import { standOf, useHousehold } from '@/state/household';
import { weatherHours } from '@tembrin/contract';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { becauseWords } from '@/words/because';

/** Route: what to look at before the instrument on the stand leaves home. */
export function Packing() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <Check key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Check({ instrument }: { instrument: Instrument }) {
  const { situation } = useJudged(instrument);
  const weather = useAir((state) => state.air?.weather ?? null);
  const steps = packingRound(situation, warmestC(weather, situation.log.nowMs));
  const [looked, setLooked] = useState<readonly PackingStepId[]>([]);
  const left = steps.filter(({ step }) => !looked.includes(step)).length;
  const toggle = (step: PackingStepId) =>
    setLooked((before) => (before.includes(step) ? before.filter((other) => other !== step) : [...before, step]));
  const packed = async () => {
    router.replace('/bench');
    await act(instrument.id, [{ type: 'packed', payload: {} }], 'Packed for the way.');
  };
  return (
    <Screen
      title="Leaving home"
      back="/bench"
      foot={
        <Button
          title={left === 0 ? 'Packed' : `${left} still to look at`}
          disabled={left > 0}
          onPress={() => void packed()}
        />
      }
    >
      <Words tone="quiet">{instrument.name}</Words>
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

const AHEAD_MS = 12 * 3_600_000;

/** The warmest of the coming hours; null where no weather is known. */
function warmestC(weather: Weather | null, nowMs: number): number | null {
  const hours = weatherHours(weather).filter(({ at }) => at >= nowMs - 3_600_000 && at < nowMs + AHEAD_MS);
  return hours.length === 0 ? null : Math.max(...hours.map(({ tempC }) => tempC));
}

function CheckRow({ title, detail, on, onPress }: { title: string; detail: string; on: boolean; onPress: () => void }) {
  const { line, edge, accent, onAccent } = usePalette();
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      aria-label={`${title}. ${detail}`}
      onPress={onPress}
      style={{
        flexDirection: 'row',
        gap: GAP.one,
        alignItems: 'center',
        minHeight: 72,
        paddingVertical: GAP.half,
        borderBottomWidth: 1,
        borderBottomColor: line,
      }}
    >
      <Svg width={32} height={32} viewBox="0 0 32 32" aria-hidden>
        <Circle cx={16} cy={16} r={13} fill={on ? accent : 'none'} stroke={on ? accent : edge} strokeWidth={2} />
        {on && <Path d="M9.5 16.5L14 21L22.5 11.5" stroke={onAccent} strokeWidth={3} fill="none" />}
      </Svg>
      <View style={{ flex: 1 }}>
        <Words kind="strong">{title}</Words>
        <Words kind="small" tone="quiet">
          {detail}
        </Words>
      </View>
    </Pressable>
  );
}
