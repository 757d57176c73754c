import type { RoundStep, StepId, StepRecord } from '@tembrin/core';
import Hand from 'lucide-react-native/icons/hand';
import Head from 'expo-router/head';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { IconButton } from '@/ui/IconButton';
import { Plate } from '@/ui/Plate';
import { GAP, usePalette, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { becauseWords } from '@/words/because';
import { lastingWords } from '@/words/dates';
import { measureWords } from '@/words/measures';
import type { StepActions } from './step-actions';

/** One step of the closing round: its zone lit on the plate, what to do, how and why. */
export function StepView({ instrument, round, done, skip, undo, undoTitle, later }: StepActions) {
  const { session, steps, records, next, behind } = round;
  const wide = useWide();
  const { height } = useWindowDimensions();
  const setHandsBusy = useLook((state) => state.setHandsBusy);
  // The more there is to read this evening, the smaller the plate.
  const words = next.room && next.data.how.length > 1 ? 590 : next.because ? 530 : 470;
  const tall = wide ? Math.min(560, height - 120) : Math.max(150, Math.min(380, height - words));
  const progress = (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.small, alignSelf: 'stretch' }}>
      <Progress steps={steps} records={records} at={behind} />
      <IconButton icon={Hand} label="Hands-busy view" onPress={() => setHandsBusy(true)} />
    </View>
  );
  return (
    <View role="main" style={{ flex: 1, alignItems: 'center' }}>
      <Head>
        <title>Closing round · Tembrin</title>
      </Head>
      <View
        style={{
          flex: 1,
          width: '100%',
          maxWidth: wide ? 980 : 560,
          flexDirection: wide ? 'row' : 'column',
          paddingHorizontal: GAP.more,
          paddingVertical: GAP.half,
          gap: wide ? GAP.wide : GAP.small,
        }}
      >
        <View style={{ gap: GAP.small, flex: wide ? 1 : undefined, alignItems: 'center', justifyContent: 'center' }}>
          {!wide && progress}
          <Plate subject={instrument} height={tall} lit={next.data.zone} withBow label={next.data.title} />
        </View>
        <View style={{ flex: 1, gap: GAP.one, justifyContent: wide ? 'center' : 'flex-start' }}>
          {wide && progress}
          <ScrollView tabIndex={0} style={{ flexGrow: wide ? 0 : 1 }} contentContainerStyle={{ gap: GAP.small }}>
            <Words kind="small" tone="quiet">
              {`${instrument.name}, ${lastingWords((session.endedAt ?? session.beganAt) - session.beganAt)} played. Step ${behind + 1} of ${steps.length}`}
            </Words>
            <Words kind="title" level={1} aria-live="polite">
              {next.data.title}
            </Words>
            <StepDetail step={next} />
          </ScrollView>
          <View style={{ gap: GAP.small }}>
            <View style={{ flexDirection: 'row', gap: GAP.small }}>
              <Button rank="plain" title={undoTitle} onPress={undo} hotkey="u" style={{ flex: 1 }} />
              <Button rank="plain" title="Later" onPress={later} hotkey="Escape" />
            </View>
            <View style={{ flexDirection: 'row', gap: GAP.small }}>
              <Button rank="outline" title="Skip" onPress={skip} hotkey="k" style={{ flex: 1 }} />
              <Button title="Done" onPress={done} hotkey="Space" style={{ flex: 2 }} />
            </View>
          </View>
        </View>
      </View>
    </View>
  );
}

const TOOL_WORDS: Readonly<Record<RoundStep['data']['tool'], string | null>> = {
  hands: null,
  none: null,
  rosin: null,
  'dry cloth': 'Dry cloth',
  'second cloth': 'Second cloth',
  brush: 'Brush',
  'cleaner on a cloth': 'Cleaner on a cloth',
};

/** What to do and why, with this evening's reason first. A step that keeps being missed is spelt out in single moves. */
export function StepDetail({ step: { data, because, who, room, measure } }: { step: RoundStep }) {
  const { accent, now, line } = usePalette();
  const lengths = useLook((state) => state.lengths);
  const tool = TOOL_WORDS[data.tool];
  const asides = [
    tool,
    measure && data.figure ? `Last time: ${measureWords(data.figure, measure.value, lengths)}` : null,
    who === 'adult' ? 'An adult does this' : null,
  ].filter((aside) => aside !== null);
  return (
    <View style={{ gap: GAP.small }}>
      {because && because.code !== 'learning' && (
        <View style={{ borderLeftWidth: 4, borderLeftColor: accent, paddingLeft: GAP.half }}>
          <Words kind="smallStrong">{becauseWords(because)}</Words>
        </View>
      )}
      {asides.length > 0 && (
        <Words kind="smallStrong" tone="accent">
          {asides.join(' · ')}
        </Words>
      )}
      {room && data.how.length > 1 ? (
        <View role="list" style={{ gap: GAP.half, paddingVertical: GAP.small }}>
          {data.how.map((how, at) => (
            <View key={how} role="listitem" style={{ flexDirection: 'row', gap: GAP.half, alignItems: 'baseline' }}>
              <Words kind="heading" tone="accent" style={{ width: 16 }}>
                {at + 1}
              </Words>
              <Words kind="heading" style={{ flex: 1 }}>
                {how}
              </Words>
            </View>
          ))}
        </View>
      ) : (
        <Words>{data.how.join(' ')}</Words>
      )}
      <Words kind="small" tone="quiet">
        {data.why}
      </Words>
      {data.caution && (
        <View style={{ borderTopWidth: 1, borderTopColor: line, paddingTop: GAP.small }}>
          <Words kind="small" style={{ color: now }}>
            {data.caution}
          </Words>
        </View>
      )}
    </View>
  );
}

/** The steps as knots on a line: done ones filled, skipped ones open, the one in hand largest. */
export function Progress({
  steps,
  records,
  at,
}: {
  steps: readonly RoundStep<StepId>[];
  records: ReadonlyMap<string, StepRecord>;
  at: number;
}) {
  const { accent, edge, ground, line } = usePalette();
  return (
    <View
      role="progressbar"
      aria-label="Closing round"
      aria-valuemin={0}
      aria-valuemax={steps.length}
      aria-valuenow={at}
      style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', flex: 1, height: 24 }}
    >
      <View style={{ position: 'absolute', left: 0, right: 0, top: 11, height: 2, backgroundColor: line }} />
      {steps.map(({ step }, index) => {
        const record = records.get(step);
        const size = index === at ? 20 : 12;
        return (
          <View
            key={step}
            style={{
              width: size,
              height: size,
              borderRadius: size / 2,
              borderWidth: 2,
              borderColor: record || index === at ? accent : edge,
              backgroundColor: record?.done ? accent : ground,
            }}
          />
        );
      })}
    </View>
  );
}
