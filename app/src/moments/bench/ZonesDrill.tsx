import { CLOSING_STEPS, DRILL_DATA, stepsFor, type StepData, type StepId, type Zone } from '@tembrin/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJudged } from '@/state/condition';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Tick } from '@/ui/Choice';
import { GAP, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { ZONE_NAMES } from '@/words/names';
import type { DrillProps } from './outcome';
import { shuffled } from './shuffled';

const ASKED = 3;

/** Which zone was not wiped: specks lie on one of them. */
export function ZonesDrill({ instrument, onOver }: DrillProps) {
  const { schools } = useJudged(instrument);
  const wide = useWide();
  const [zones] = useState(() => wipedZones(stepsFor(CLOSING_STEPS, instrument, schools)));
  const [asked] = useState(() => shuffled(zones).slice(0, ASKED));
  const [at, setAt] = useState(0);
  const [chosen, setChosen] = useState<Zone | null>(null);
  const [wrong, setWrong] = useState<readonly StepId[]>([]);
  const question = asked[at]!;

  const choose = (zone: Zone) => {
    if (chosen !== null) return;
    setChosen(zone);
    if (zone !== question.zone) setWrong([...wrong, question.id]);
  };
  const next = () => {
    if (at + 1 === asked.length) return onOver({ right: asked.length - wrong.length, of: asked.length, missed: wrong });
    setAt(at + 1);
    setChosen(null);
  };
  const right = chosen === question.zone;
  return (
    <Screen
      title={DRILL_DATA.zones.title}
      back="/bench"
      foot={
        <>
          <View role="status" aria-live="polite" style={{ minHeight: 52, justifyContent: 'flex-end' }}>
            {chosen !== null && (
              <Words tone={right ? 'well' : 'now'}>
                {right
                  ? `Right: ${ZONE_NAMES[question.zone].toLowerCase()}. ${question.why}`
                  : `It was: ${ZONE_NAMES[question.zone].toLowerCase()}. ${question.why}`}
              </Words>
            )}
          </View>
          <Button title={chosen === null ? 'Tap the zone' : 'Go on'} disabled={chosen === null} onPress={next} />
        </>
      }
    >
      <View style={{ gap: GAP.hair }}>
        <Words kind="small" tone="quiet">{`${at + 1} of ${asked.length}`}</Words>
        <Words kind="heading" level={2}>
          {DRILL_DATA.zones.asks}
        </Words>
      </View>
      <View style={{ alignItems: 'center' }}>
        <Plate
          subject={instrument}
          height={wide ? 360 : 300}
          withBow
          marks={{ [question.zone]: 'settling' }}
          lit={chosen === null ? undefined : question.zone}
          onZone={choose}
          // Zones overlap, as strings and neck do: where they do, a tap means the one asked for.
          zones={[...zones.map(({ zone }) => zone).filter((zone) => zone !== question.zone), question.zone]}
          label="specks of dust lie on one zone"
        />
      </View>
      <View
        role="radiogroup"
        aria-label="Zones"
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP.small, justifyContent: 'center' }}
      >
        {zones.map(({ zone }) => (
          <Tick key={zone} kind="radio" title={ZONE_NAMES[zone]} on={chosen === zone} onPress={() => choose(zone)} />
        ))}
      </View>
    </Screen>
  );
}

/** Zones this instrument's round cleans, each with the step that does. */
function wipedZones(steps: readonly StepData<StepId>[]): StepData<StepId>[] {
  const seen = new Set<Zone>();
  return steps.filter(({ zone, tool }) => {
    if (zone === 'whole' || tool === 'hands' || tool === 'none' || seen.has(zone)) return false;
    seen.add(zone);
    return true;
  });
}
