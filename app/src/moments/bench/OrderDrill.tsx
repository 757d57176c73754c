import { CLOSING_STEPS, DRILL_DATA, stepsFor, type StepId } from '@tembrin/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useJudged } from '@/state/condition';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { GAP, RADIUS, TOUCH, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import type { DrillProps } from './outcome';
import { shuffled } from './shuffled';

/** Put the closing round in order. Where the trade leaves a choice, either is right. */
export function OrderDrill({ instrument, onOver }: DrillProps) {
  const { schools } = useJudged(instrument);
  const { surface, edge, accent } = usePalette();
  const [steps] = useState(() => shuffled(stepsFor(CLOSING_STEPS, instrument, schools).filter(({ due }) => !due)));
  const [tapped, setTapped] = useState<readonly StepId[]>([]);
  const [missed, setMissed] = useState<readonly StepId[]>([]);
  const [slips, setSlips] = useState<readonly StepId[]>([]);
  const [hint, setHint] = useState<string | null>(null);
  const left = steps.filter(({ id }) => !tapped.includes(id));

  const tap = (id: StepId) => {
    const step = steps.find((each) => each.id === id)!;
    const before = left.filter((other) => (step.after ?? []).includes(other.id));
    // With a bow in the hand nothing else comes first.
    const slack = left.find((other) => other.id === 'slacken' && id !== 'slacken');
    const first = slack ?? before[0];
    if (first) {
      setHint(`Not yet. Before that: ${first.title.toLowerCase()}. ${first.why}`);
      setMissed([...missed, first.id]);
      setSlips([...slips, id]);
      return;
    }
    setHint(null);
    setTapped([...tapped, id]);
  };
  const done = left.length === 0;
  const right = steps.filter(({ id }) => !slips.includes(id)).length;
  return (
    <Screen
      title={DRILL_DATA.order.title}
      back="/bench"
      foot={
        <Button
          title={done ? 'Go on' : `${left.length} still to tap`}
          disabled={!done}
          onPress={() => onOver({ right, of: steps.length, missed })}
        />
      }
    >
      <Words kind="heading" level={2}>
        {DRILL_DATA.order.asks}
      </Words>
      <View role="list" aria-label="In order so far">
        {tapped.map((id, at) => (
          <View
            key={id}
            role="listitem"
            style={{ flexDirection: 'row', gap: GAP.half, minHeight: 36, alignItems: 'center' }}
          >
            <Words kind="heading" tone="accent" style={{ width: 24 }}>
              {at + 1}
            </Words>
            <Words kind="strong">{steps.find((step) => step.id === id)!.title}</Words>
          </View>
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP.small }}>
        {left.map(({ id, title }) => (
          <Pressable
            key={id}
            role="button"
            onPress={() => tap(id)}
            style={{
              minHeight: TOUCH + 8,
              justifyContent: 'center',
              paddingHorizontal: GAP.one,
              borderWidth: 1,
              borderColor: edge,
              borderRadius: RADIUS,
              backgroundColor: surface,
            }}
          >
            <Words>{title}</Words>
          </Pressable>
        ))}
      </View>
      <View role="status" aria-live="polite" style={{ minHeight: 56 }}>
        {hint !== null && (
          <View style={{ borderLeftWidth: 4, borderLeftColor: accent, paddingLeft: GAP.half }}>
            <Words>{hint}</Words>
          </View>
        )}
      </View>
    </Screen>
  );
}
