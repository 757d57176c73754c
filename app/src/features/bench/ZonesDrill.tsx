import { useState } from 'react';
import { useHere } from '@/state/here';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Tick } from '@/ui/Choice';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { ZONE_NAMES } from '@/copy/names';
import type { DrillProps } from './outcome';
import { shuffled } from './shuffled';
import { CLOSING_STEPS, stepsFor, type StepData } from '@tembrin/core/routines';
import { DRILL_DATA } from '@tembrin/core/learning';
import type { StepId } from '@tembrin/core/log';
import type { Zone } from '@tembrin/core/instruments';
import { Grid, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/zones-drill';

const ASKED = 3;

/** Which zone was not wiped: specks lie on one of them. */
export function ZonesDrill({ instrument, onOver }: DrillProps) {
  const { schools } = useHere(instrument);
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
          <Stack role="status" aria-live="polite" justify="end" minHeight={52}>
            {chosen !== null && (
              <Text tone={right ? 'well' : 'now'}>
                {right
                  ? `Right: ${ZONE_NAMES[question.zone].toLowerCase()}. ${question.why}`
                  : `It was: ${ZONE_NAMES[question.zone].toLowerCase()}. ${question.why}`}
              </Text>
            )}
          </Stack>
          <Button title={chosen === null ? copy.tapTheZone : 'Go on'} disabled={chosen === null} onPress={next} />
        </>
      }
    >
      <Stack gap="hair">
        <Text kind="small" tone="quiet">{`${at + 1} of ${asked.length}`}</Text>
        <Text kind="heading" level={2}>
          {DRILL_DATA.zones.asks}
        </Text>
      </Stack>
      <Stack align="center">
        <Plate
          subject={instrument}
          height={wide ? 360 : 300}
          withBow
          marks={{ [question.zone]: 'settling' }}
          lit={chosen === null ? undefined : question.zone}
          onZone={choose}
          // Zones overlap, as strings and neck do: where they do, a tap means the one asked for.
          zones={[...zones.map(({ zone }) => zone).filter((zone) => zone !== question.zone), question.zone]}
          label={copy.specksOfDustLie}
        />
      </Stack>
      <Grid role="radiogroup" aria-label="Zones" gap="small" justify="center">
        {zones.map(({ zone }) => (
          <Tick key={zone} kind="radio" title={ZONE_NAMES[zone]} on={chosen === zone} onPress={() => choose(zone)} />
        ))}
      </Grid>
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
