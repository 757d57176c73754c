import { fixed } from '@/copy/numbers';
import type { Sensor } from '@tembrin/contract';
import { CHECK_FAULT_SENTENCES } from '@tembrin/contract/reading-faults';
import { Redirect } from 'expo-router';
import { useAir } from '@/state/air';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { NumberedSteps } from '@/ui/NumberedSteps';
import { NumberPair } from './NumberPair';
import { HOUR_MS } from '@tembrin/core/time';
import { JarDrawing } from './JarDrawing';
import { useRouteSensor } from './where';
import { corrected, SALT_HOURS, SALT_IDS, SALTS } from '@tembrin/core/air';
import { Stack } from '@/ui/layout';
import { copy, STEPS } from '@/copy/screens/air/salt-check';
import { useSaltCheck, type SaltCheckModel } from './use-salt-check';

/** Route: the guided check of a hygrometer over a saturated salt. */
export function SaltCheckRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <SaltCheckScreen key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

function SaltCheckScreen({ sensor }: { sensor: Sensor }) {
  const model = useSaltCheck({ sensor });
  const { temperatures, nowMs, timeZone, salt, setSalt, text, errors, problem, busy, tempC, wanted, fault, set, save } =
    model;
  return (
    <Screen
      title="Salt check"
      back={{ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } }}
      foot={<Button title={copy.putTheCheckOn} busy={busy} onPress={() => void save()} />}
    >
      <Text tone="quiet">{sensor.name}</Text>
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack align="center">
        <JarDrawing rh={wanted} />
      </Stack>
      <Choice
        label="Which salt"
        options={SALT_IDS.map((value) => ({ value, title: SALTS[value].name }))}
        value={salt}
        onChange={setSalt}
      />
      <Text>{copy.overTheAirHas({ name: SALTS[salt].name, wanted, tempC, temperatures })}</Text>
      <NumberedSteps steps={STEPS} ruled />
      <Text kind="small" tone="quiet">
        {copy.sealedNowItCan(nowMs + SALT_HOURS.least * HOUR_MS, nowMs, timeZone)}
      </Text>
      <NumberPair
        pair={[
          { label: copy.itShowsIn, value: text.shown, onChange: set('shown'), error: errors.shown },
          { label: `Temperature in °${temperatures}`, value: text.temp, onChange: set('temp'), error: errors.temp },
        ]}
      />
      {fault && <Banner tone="now" text={CHECK_FAULT_SENTENCES[fault]} />}
      <Outcome model={model} />
    </Screen>
  );
}

function Outcome({ model }: { model: SaltCheckModel }) {
  const { correction } = model;
  if (!correction) return null;
  return (
    <Banner
      tone="well"
      text={
        correction.tooClose
          ? copy.theseSaltsLieToo(correction.offset, correction.uncertainty)
          : correction.salts.length > 1
            ? copy.withSaltsTrueShown({
                salts: correction.salts.length,
                offset: fixed(correction.offset * 100, 1),
                slope: correction.slope,
                uncertainty: correction.uncertainty,
                corrected: corrected(0.5, correction),
              })
            : copy.itShowsTooA(correction.offset, correction.uncertainty)
      }
    />
  );
}
