import { DRILL_DATA, drillsFor, type DrillId } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { act } from '@/state/doing';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { STEP_NAMES } from '@/words/names';
import { CaseDrill } from './CaseDrill';
import { OrderDrill } from './OrderDrill';
import type { DrillOutcome, DrillProps } from './outcome';
import { ScrewDrill } from './ScrewDrill';
import { ZonesDrill } from './ZonesDrill';

/** Route: one drill, for the instrument on the stand. */
export function DrillRoute() {
  const { drill } = useLocalSearchParams<{ drill: string }>();
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
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
          <Button title="Back to the bench" onPress={() => router.replace('/bench')} />
        </>
      }
    >
      <View role="status" style={{ gap: GAP.small }}>
        <Words kind="figure">{`${outcome.right} of ${outcome.of}`}</Words>
        <Words>{outcome.right === outcome.of ? 'All right.' : 'The rest is worth another look.'}</Words>
      </View>
      {outcome.missed.length > 0 && (
        <View style={{ gap: GAP.hair }}>
          <Words kind="heading" level={2}>
            Missed
          </Words>
          {outcome.missed.map((step) => (
            <Words key={step}>{STEP_NAMES[step]}</Words>
          ))}
          <Words kind="small" tone="quiet" style={{ paddingTop: GAP.small }}>
            The closing round spells these out while they keep being missed.
          </Words>
        </View>
      )}
    </Screen>
  );
}
