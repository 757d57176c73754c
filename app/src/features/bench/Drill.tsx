import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { STEP_NAMES } from '@/copy/names';
import { CaseDrill } from './CaseDrill';
import { OrderDrill } from './OrderDrill';
import type { DrillOutcome, DrillProps } from './outcome';
import { ScrewDrill } from './ScrewDrill';
import { ZonesDrill } from './ZonesDrill';
import { DRILL_DATA, drillsFor } from '@tembrin/core/learning';
import type { DrillId } from '@tembrin/core/log';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/drill';

/** Route: one drill, for the instrument on the stand. */
export function DrillRoute() {
  const { drill } = useLocalSearchParams<{ drill: string }>();
  const instrument = useInstrumentOnStand();
  const known = instrument && drillsFor(instrument).find((id) => id === drill);
  return known ? <Drill key={known} drill={known} instrument={instrument} /> : <Redirect href="/bench" />;
}

const DRILLS: Readonly<Record<DrillId, (props: DrillProps) => React.ReactNode>> = {
  screw: ScrewDrill,
  order: OrderDrill,
  case: CaseDrill,
  zones: ZonesDrill,
};

function Drill({ drill, instrument }: { drill: DrillId; instrument: Instrument }) {
  const [outcome, setOutcome] = useState<DrillOutcome | null>(null);
  const [turn, setTurn] = useState(0);
  const over = ({ right, of, missed }: DrillOutcome) => {
    const once = [...new Set(missed)];
    setOutcome({ right, of, missed: once });
    void act(instrument.id, [{ type: 'drill-done', payload: { drill, right, of, missed: once } }], null);
  };
  const Asked = DRILLS[drill];
  if (!outcome) return <Asked key={turn} instrument={instrument} onOver={over} />;
  return (
    <Screen
      title={DRILL_DATA[drill].title}
      back="/bench"
      foot={
        <>
          <Button
            rank="outline"
            title="Once more"
            onPress={() => {
              setOutcome(null);
              setTurn(turn + 1);
            }}
          />
          <Button title={copy.backToTheBench} onPress={() => router.replace('/bench')} />
        </>
      }
    >
      <Stack role="status" gap="small">
        <Text kind="figure">{`${outcome.right} of ${outcome.of}`}</Text>
        <Text>{outcome.right === outcome.of ? 'All right.' : copy.theRestIsWorth}</Text>
      </Stack>
      {outcome.missed.length > 0 && (
        <Stack gap="hair">
          <Text kind="heading" level={2}>
            Missed
          </Text>
          {outcome.missed.map((step) => (
            <Text key={step}>{STEP_NAMES[step]}</Text>
          ))}
          <Text kind="small" tone="quiet" padTop="small">
            {copy.theClosingRoundSpells}
          </Text>
        </Stack>
      )}
    </Screen>
  );
}
