import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { useHere } from '@/state/here';
import { useInstrumentOnStand } from '@/state/stand';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { mayUse, PRODUCT_NAMES, PRODUCTS, SURFACE_NAMES, type Allowance, type Product } from '@tembrin/core/care';
import { recordOf, type Surface } from '@tembrin/core/instruments';
import { Stack, Row } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/may-use';

/** Route: what may be used on the instrument on the stand. */
export function MayUse() {
  const instrument = useInstrumentOnStand();
  return instrument ? <LookUp key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

const VERDICTS: Readonly<Record<Allowance['verdict'], { title: string; tone: 'well' | 'soon' | 'now' }>> = {
  allowed: { title: 'Allowed', tone: 'well' },
  'only-so': { title: 'Only so', tone: 'soon' },
  never: { title: 'Never', tone: 'now' },
};

/** Surface and product chosen, the verdict with its reason. */
export function LookUp({ instrument, second }: { instrument: Instrument; second?: boolean }) {
  const { schools } = useHere(instrument);
  const surfaces = recordOf(instrument.family).surfaces;
  const [surface, setSurface] = useState<Surface>(surfaces[0]!);
  const [product, setProduct] = useState<Product>('dry-cloth');
  const { verdict, reason } = mayUse(product, surface, instrument, schools);
  const { title, tone } = VERDICTS[verdict];
  return (
    <Screen
      title={copy.whatMayIUse}
      back={second ? undefined : '/bench'}
      second={second}
      foot={
        <Stack role="status" aria-live="polite" ground="surface" pad="one" gap="hair" minHeight={158}>
          <Row gap="half" align="center">
            <VerdictMark verdict={verdict} />
            <Text kind="title" tone={tone}>
              {title}
            </Text>
          </Row>
          <Text
            kind="small"
            tone="quiet"
          >{`${PRODUCT_NAMES[product]} on ${SURFACE_NAMES[surface].toLowerCase()}`}</Text>
          <Text>{reason}</Text>
        </Stack>
      }
    >
      <Text tone="quiet">{instrument.name}</Text>
      <Choice
        label="On what?"
        options={surfaces.map((value) => ({ value, title: SURFACE_NAMES[value] }))}
        value={surface}
        onChange={setSurface}
      />
      <Choice
        label={copy.whatIsInYour}
        options={PRODUCTS.map((value) => ({ value, title: PRODUCT_NAMES[value] }))}
        value={product}
        onChange={setProduct}
      />
    </Screen>
  );
}

/** Ring, ring with a gap, bar across: the verdict as a shape. */
function VerdictMark({ verdict }: { verdict: Allowance['verdict'] }) {
  const palette = usePalette();
  const colour = palette[VERDICTS[verdict].tone];
  return (
    <Svg width={30} height={30} viewBox="0 0 30 30" aria-hidden>
      {verdict === 'allowed' && <Circle cx={15} cy={15} r={11} fill={colour} />}
      {verdict === 'only-so' && (
        <>
          <Path d="M15 4A11 11 0 0 1 15 26Z" fill={colour} />
          <Circle cx={15} cy={15} r={11} stroke={colour} strokeWidth={2.5} fill="none" />
        </>
      )}
      {verdict === 'never' && <Path d="M6 6L24 24M24 6L6 24" stroke={colour} strokeWidth={4.5} strokeLinecap="round" />}
    </Svg>
  );
}
