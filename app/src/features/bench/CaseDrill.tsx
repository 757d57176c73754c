import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { CaseDrawing } from './CaseDrawing';
import type { DrillProps } from './outcome';
import { shuffled } from './shuffled';
import { CASE_FAULT_DATA, CASE_FAULTS, DRILL_DATA, type CaseFault } from '@tembrin/core/learning';
import { Grid, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/case-drill';

/** What is looked at, named so that the name does not say whether it is as it should be. */
const LOOKED_AT: Readonly<Record<CaseFault, string>> = {
  'rest-on': 'Shoulder rest',
  'bow-loose': 'Bow holder',
  'bow-tight': 'Bow hair',
  pencil: 'Pencil pocket',
  'strings-dusty': 'Strings',
  'rosin-open': 'Rosin box',
};

const FEWEST = 2;
const MOST = 4;

/** Spot what is wrong in an open case before the lid shuts. */
export function CaseDrill({ onOver }: DrillProps) {
  const [faults] = useState<readonly CaseFault[]>(() =>
    shuffled(CASE_FAULTS).slice(0, FEWEST + Math.floor(Math.random() * (MOST - FEWEST + 1))),
  );
  const [marked, setMarked] = useState<readonly CaseFault[]>([]);
  const [shut, setShut] = useState(false);
  const toggle = (fault: CaseFault) => {
    if (shut) return;
    setMarked((before) => (before.includes(fault) ? before.filter((each) => each !== fault) : [...before, fault]));
  };
  const missed = faults.filter((fault) => !marked.includes(fault));
  const right = CASE_FAULTS.filter((fault) => faults.includes(fault) === marked.includes(fault)).length;
  return (
    <Screen
      title={DRILL_DATA.case.title}
      back="/bench"
      foot={
        shut ? (
          <Button
            title="Go on"
            onPress={() =>
              onOver({ right, of: CASE_FAULTS.length, missed: missed.map((fault) => CASE_FAULT_DATA[fault].step) })
            }
          />
        ) : (
          <Button title={copy.shutTheLid} onPress={() => setShut(true)} />
        )
      }
    >
      <Text kind="heading" level={2}>
        {DRILL_DATA.case.asks}
      </Text>
      <CaseDrawing faults={faults} marked={marked} onFault={toggle} />
      {shut ? (
        <Stack role="status" gap="half">
          {missed.length === 0 ? (
            <Text tone="well">{copy.nothingWasMissedNow}</Text>
          ) : (
            missed.map((fault) => (
              <View key={fault}>
                <Text kind="strong" tone="now">
                  {CASE_FAULT_DATA[fault].title}
                </Text>
                <Text kind="small">{CASE_FAULT_DATA[fault].why}</Text>
              </View>
            ))
          )}
        </Stack>
      ) : (
        <Grid role="group" aria-label={copy.wrongInThisCase} gap="small" justify="center">
          {CASE_FAULTS.map((fault) => (
            <Tick
              key={fault}
              kind="checkbox"
              title={LOOKED_AT[fault]}
              on={marked.includes(fault)}
              onPress={() => toggle(fault)}
            />
          ))}
        </Grid>
      )}
    </Screen>
  );
}
