import { usualFacts } from '@tembrin/core';
import { router } from 'expo-router';
import Head from 'expo-router/head';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { sentenceOf } from '@/state/api';
import { openDemo } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { GAP, usePalette, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { hereZone } from './zone';

const PROMISES = [
  ['It measures.', 'Playing time, bowing since the rosin, hours a bow was left tight.'],
  ['It works out.', 'When strings and hair will be spent, as a window with its figures shown.'],
  ['It minds.', 'A closing round, one tap a step, so that nothing is forgotten at night.'],
] as const;

/** The door: what this is, and two ways in. */
export function Welcome() {
  const { ground } = usePalette();
  const wide = useWide();
  const { height } = useWindowDimensions();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
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
    <View role="main" style={{ flex: 1, backgroundColor: ground }}>
      <Head>
        <title>Tembrin</title>
      </Head>
      <ScrollView contentContainerStyle={{ flexGrow: 1, alignItems: 'center', justifyContent: 'center' }}>
        <View
          style={{
            width: '100%',
            maxWidth: wide ? 1000 : 480,
            flexGrow: wide ? 0 : 1,
            flexDirection: wide ? 'row' : 'column',
            alignItems: wide ? 'center' : 'stretch',
            gap: wide ? GAP.wide * 2 : GAP.more,
            padding: GAP.more,
          }}
        >
          <View style={{ alignItems: 'center', justifyContent: 'center', paddingTop: wide ? 0 : GAP.small }}>
            <Plate subject={VIOLIN} height={tall} withBow />
          </View>
          <View style={{ flex: wide ? 1 : undefined, flexGrow: 1, gap: GAP.more }}>
            <View style={{ gap: GAP.small }}>
              <Words kind="figure" level={1}>
                Tembrin
              </Words>
              <Words kind="heading" tone="quiet">
                Keeps string instruments playable.
              </Words>
            </View>
            <View style={{ gap: GAP.half, flexGrow: 1 }}>
              {PROMISES.map(([what, how]) => (
                <Words key={what} kind="body">
                  <Words kind="strong">{what}</Words> {how}
                </Words>
              ))}
            </View>
            {problem !== null && <Banner tone="now" text={problem} />}
            <View style={{ gap: GAP.small }}>
              <Button title="Start your own" onPress={() => router.push('/start')} />
              <Button rank="outline" title="Look round the demo library" busy={busy} onPress={() => void demo()} />
              <Button rank="plain" title="Sign in" onPress={() => router.push('/sign-in')} />
            </View>
          </View>
        </View>
      </ScrollView>
    </View>
  );
}

const VIOLIN = usualFacts('violin');
