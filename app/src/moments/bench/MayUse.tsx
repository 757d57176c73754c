import {
  mayUse,
  PRODUCT_NAMES,
  PRODUCTS,
  SURFACE_NAMES,
  SURFACES_OF,
  type Allowance,
  type Product,
  type Surface,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useJudged } from '@/state/condition';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';

/** Route: what may be used on the instrument on the stand. */
export function MayUse() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <LookUp key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

const VERDICTS: Readonly<Record<Allowance['verdict'], { title: string; tone: 'well' | 'soon' | 'now' }>> = {
  allowed: { title: 'Allowed', tone: 'well' },
  'only-so': { title: 'Only so', tone: 'soon' },
  never: { title: 'Never', tone: 'now' },
};

/** Surface and product chosen, the verdict with its reason. */
export function LookUp({ instrument, second }: { instrument: Instrument; second?: boolean }) {
  const { schools } = useJudged(instrument);
  const surfaces = SURFACES_OF[instrument.family];
  const [surface, setSurface] = useState<Surface>(surfaces[0]!);
  const [product, setProduct] = useState<Product>('dry-cloth');
  const { surface: paper } = usePalette();
  const { verdict, reason } = mayUse(product, surface, instrument, schools);
  const { title, tone } = VERDICTS[verdict];
  return (
    <Screen
      title="What may I use?"
      back={second ? undefined : '/bench'}
      second={second}
      foot={
        <View
          role="status"
          aria-live="polite"
          style={{ backgroundColor: paper, padding: GAP.one, gap: GAP.hair, minHeight: 158 }}
        >
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.half }}>
            <VerdictMark verdict={verdict} />
            <Words kind="title" tone={tone}>
              {title}
            </Words>
          </View>
          <Words
            kind="small"
            tone="quiet"
          >{`${PRODUCT_NAMES[product]} on ${SURFACE_NAMES[surface].toLowerCase()}`}</Words>
          <Words>{reason}</Words>
        </View>
      }
    >
      <Words tone="quiet">{instrument.name}</Words>
      <Choice
        label="On what?"
        options={surfaces.map((value) => ({ value, title: SURFACE_NAMES[value] }))}
        value={surface}
        onChange={setSurface}
      />
      <Choice
        label="What is in your hand?"
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
