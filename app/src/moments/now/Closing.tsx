import { openRound, type ClosingStep, type OpenRound, type StepRecord } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import Head from 'expo-router/head';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useJudged } from '@/state/condition';
import { act, takeBack } from '@/state/doing';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { notify } from '@/state/notice';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { GAP, usePalette, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { lastingWords } from '@/words/dates';
import { stepWords } from '@/words/steps';

/** The closing round, one tap a step. It is read from the log, so it goes on where it was left. */
export function Closing() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <Round instrument={instrument} /> : <Redirect href="/now" />;
}

function Round({ instrument }: { instrument: Instrument }) {
  const { schools } = useHousehold((state) => state.household)!;
  const { log } = useJudged(instrument);
  const round = openRound(instrument, schools.cloths, log);
  return round ? <Step instrument={instrument} round={round} /> : <Redirect href="/now" />;
}

function Step({ instrument, round }: { instrument: Instrument; round: OpenRound }) {
  const { session, steps, records, next, behind } = round;
  const wide = useWide();
  const { height } = useWindowDimensions();
  const words = stepWords(next.step, instrument);
  const last = behind === steps.length - 1;
  const previous = behind > 0 ? records.get(steps[behind - 1]!.step) : undefined;

  const answer = async (done: boolean) => {
    const recorded = await act(
      instrument.id,
      [{ type: done ? 'step-done' : 'step-skipped', payload: { step: next.step, sessionId: session.id } }],
      null,
    );
    if (last && recorded.length > 0) {
      const skipped = [...records.values()].filter((record) => !record.done).length + (done ? 0 : 1);
      const words = skipped === 0 ? 'The round is done.' : `The round is done, ${skipped} skipped.`;
      notify(words, async () => {
        await takeBack(recorded);
        router.push('/now/closing');
      });
    }
  };
  const undo = async () => {
    if (previous) return takeBack([{ id: previous.eventId, instrumentId: instrument.id }]);
    // Before the first step there is the end of the session: taking it back lets the clock run on.
    if (session.endEventId) await takeBack([{ id: session.endEventId, instrumentId: instrument.id }]);
    router.replace('/now');
  };
  const later = () => router.replace('/now');

  const done = { label: 'Step done', run: () => void answer(true) };
  useKeys({
    ' ': done,
    enter: done,
    arrowright: done,
    pagedown: done,
    k: { label: 'Skip the step', run: () => void answer(false) },
    u: { label: 'Take the last answer back', run: () => void undo() },
    arrowleft: { label: 'Take the last answer back', run: () => void undo() },
    escape: { label: 'Leave the round for later', run: later },
  });

  const undoTitle = previous
    ? `Undo: ${stepWords(steps[behind - 1]!.step, instrument).title.toLowerCase()}`
    : 'Play on';
  const tall = wide ? Math.min(560, height - 120) : Math.max(180, Math.min(420, height - 450));
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
          padding: GAP.more,
          gap: wide ? GAP.wide : GAP.half,
        }}
      >
        <View style={{ gap: GAP.half, flex: wide ? 1 : undefined, alignItems: 'center', justifyContent: 'center' }}>
          {!wide && <Progress steps={steps} records={records} at={behind} />}
          <Plate subject={instrument} height={tall} lit={next.zone} withBow label={words.title} />
        </View>
        <View style={{ flex: 1, gap: GAP.one, justifyContent: wide ? 'center' : 'flex-start' }}>
          {wide && <Progress steps={steps} records={records} at={behind} />}
          <ScrollView style={{ flexGrow: wide ? 0 : 1 }} contentContainerStyle={{ gap: GAP.small }}>
            <Words kind="small" tone="quiet">
              {`${instrument.name}, ${lastingWords((session.endedAt ?? session.beganAt) - session.beganAt)} played. Step ${behind + 1} of ${steps.length}`}
            </Words>
            <Words kind="title" level={1} aria-live="polite">
              {words.title}
            </Words>
            <Words>{words.how}</Words>
            <Words kind="small" tone="quiet">
              {words.why}
            </Words>
          </ScrollView>
          <View style={{ gap: GAP.small }}>
            <View style={{ flexDirection: 'row', gap: GAP.small }}>
              <Button rank="plain" title={undoTitle} onPress={() => void undo()} hotkey="u" style={{ flex: 1 }} />
              <Button rank="plain" title="Later" onPress={later} hotkey="Escape" />
            </View>
            <View style={{ flexDirection: 'row', gap: GAP.small }}>
              <Button rank="outline" title="Skip" onPress={() => void answer(false)} hotkey="k" style={{ flex: 1 }} />
              <Button title="Done" onPress={() => void answer(true)} hotkey="Space" style={{ flex: 2 }} />
            </View>
          </View>
        </View>
      </View>
    </View>
  );
}

/** The steps as knots on a line: done ones filled, skipped ones open, the one in hand largest. */
function Progress({
  steps,
  records,
  at,
}: {
  steps: readonly ClosingStep[];
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
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'space-between',
        alignSelf: 'stretch',
        height: 24,
      }}
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
