import { router } from 'expo-router';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { sentenceOf } from '@/state/api';
import { openDemo, useHousehold } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { GAP, useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { hereZone } from './time-zone';
import { usualFacts } from '@tembrin/core/instruments';
import { Scroll, Split, Stack } from '@/ui/layout';
import { PageTitle } from '@/ui/PageTitle';
import { copy, PROMISES } from '@/copy/screens/auth/welcome';

/** The door: what this is, and two ways in. */
export function Welcome() {
  const wide = useWide();
  const { height } = useWindowDimensions();
  const [busy, setBusy] = useState(false);
  const why = useHousehold((state) => state.why);
  const [problem, setProblem] = useState<string | null>(why ?? null);
  const demo = async () => {
    setBusy(true);
    setProblem(null);
    try {
      await openDemo(hereZone());
      router.replace('/now');
    } catch (error) {
      setProblem(sentenceOf(error));
      setBusy(false);
    }
  };
  const tall = wide ? Math.min(640, height - 96) : Math.min(280, height * 0.3);
  return (
    <Stack role="main" grow ground="ground">
      <PageTitle title="Tembrin" />
      <Scroll fill align="center" justify="center">
        <Split
          full
          maxWidth={wide ? 1000 : 480}
          fill={!wide}
          align={wide ? 'center' : 'stretch'}
          gap={wide ? 2 * GAP.wide : 'more'}
          pad="more"
        >
          <Stack align="center" justify="center" padTop={wide ? 0 : 'small'}>
            <Plate subject={VIOLIN} height={tall} withBow />
          </Stack>
          <Stack gap="more" grow={wide} fill>
            <Stack gap="small">
              <Text kind="figure" level={1}>
                Tembrin
              </Text>
              <Text kind="heading" tone="quiet">
                {copy.keepsStringInstrumentsPlayable}
              </Text>
            </Stack>
            <Stack gap="half" fill>
              {PROMISES.map(([what, how]) => (
                <Text key={what} kind="body">
                  <Text kind="strong">{what}</Text> {how}
                </Text>
              ))}
            </Stack>
            {problem !== null && <Banner tone="now" text={problem} />}
            <Stack gap="small">
              <Button title={copy.startYourOwn} onPress={() => router.push('/start')} />
              <Button rank="outline" title={copy.lookRoundTheDemo} busy={busy} onPress={() => void demo()} />
              <Button rank="plain" title="Sign in" onPress={() => router.push('/sign-in')} />
            </Stack>
          </Stack>
        </Split>
      </Scroll>
    </Stack>
  );
}

const VIOLIN = usualFacts('violin');
