import { useState } from 'react';
import { View } from 'react-native';
import { useHere } from '@/state/here';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { TOUCH } from '@/ui/theme';
import { Text } from '@/ui/Text';
import type { DrillProps } from './outcome';
import { shuffled } from './shuffled';
import { CLOSING_STEPS, stepsFor } from '@tembrin/core/routines';
import { DRILL_DATA } from '@tembrin/core/learning';
import type { StepId } from '@tembrin/core/log';
import { Grid, Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/order-drill';

/** Put the closing round in order. Where the trade leaves a choice, either is right. */
export function OrderDrill({ instrument, onOver }: DrillProps) {
  const { schools } = useHere(instrument);

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
      setHint(copy.notYetBeforeThat(first.title, first.why));
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
          title={done ? 'Go on' : copy.stillToTap(left.length)}
          disabled={!done}
          onPress={() => onOver({ right, of: steps.length, missed })}
        />
      }
    >
      <Text kind="heading" level={2}>
        {DRILL_DATA.order.asks}
      </Text>
      <View role="list" aria-label={copy.inOrderSoFar}>
        {tapped.map((id, at) => (
          <Row key={id} role="listitem" gap="half" align="center" minHeight={36}>
            <Text kind="heading" tone="accent" width={24}>
              {at + 1}
            </Text>
            <Text kind="strong">{steps.find((step) => step.id === id)!.title}</Text>
          </Row>
        ))}
      </View>
      <Grid gap="small">
        {left.map(({ id, title }) => (
          <Press
            key={id}
            role="button"
            onPress={() => tap(id)}
            padX="one"
            justify="center"
            minHeight={TOUCH + 8}
            framed
            ground="surface"
          >
            <Text>{title}</Text>
          </Press>
        ))}
      </Grid>
      <Stack role="status" aria-live="polite" minHeight={56}>
        {hint !== null && (
          <Stack padLeft="half" mark>
            <Text>{hint}</Text>
          </Stack>
        )}
      </Stack>
    </Screen>
  );
}
