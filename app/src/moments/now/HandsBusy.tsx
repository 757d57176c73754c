import Head from 'expo-router/head';
import { useEffect } from 'react';
import { Pressable, View } from 'react-native';
import { useLook } from '@/state/look';
import { canSpeak, hush, speak } from '@/state/speech';
import { Button } from '@/ui/Button';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { becauseWords } from '@/words/because';
import type { StepActions } from './step-actions';
import { Progress } from './StepView';

/** The closing round for full hands: large type, a tap anywhere goes on, and the step is read aloud if wished. */
export function HandsBusy({ round, done, skip, undo, undoTitle, later }: StepActions) {
  const { steps, records, next, behind } = round;
  const { setHandsBusy, speaking, setSpeaking } = useLook();
  const { line } = usePalette();
  const { title, how } = next.data;
  const text = `${title}. ${how.join(' ')}`;
  useEffect(() => {
    if (speaking) speak(text);
    return hush;
  }, [speaking, text]);
  return (
    <View role="main" style={{ flex: 1 }}>
      <Head>
        <title>Closing round · Tembrin</title>
      </Head>
      <View
        style={{
          flexDirection: 'row',
          justifyContent: 'space-between',
          paddingHorizontal: GAP.half,
          borderBottomWidth: 1,
          borderBottomColor: line,
        }}
      >
        <Button rank="plain" title="Usual view" onPress={() => setHandsBusy(false)} hotkey="b" />
        {canSpeak() && (
          <Button
            rank="plain"
            title={speaking ? 'Stop reading' : 'Read aloud'}
            onPress={() => setSpeaking(!speaking)}
          />
        )}
        <Button rank="plain" title="Later" onPress={later} hotkey="Escape" />
      </View>
      <Pressable
        role="button"
        aria-label={`Done: ${title}. Tap anywhere`}
        onPress={done}
        style={{ flex: 1, paddingHorizontal: GAP.two, paddingVertical: GAP.more, gap: GAP.more, alignItems: 'center' }}
      >
        <View style={{ flexDirection: 'row', width: '100%', maxWidth: 720 }}>
          <Progress steps={steps} records={records} at={behind} />
        </View>
        <View style={{ flex: 1, justifyContent: 'center', gap: GAP.more, width: '100%', maxWidth: 720 }}>
          <Words kind="huge">{title}</Words>
          {how.map((sentence) => (
            <Words key={sentence} kind="large">
              {sentence}
            </Words>
          ))}
          {next.because && (
            <Words kind="large" tone="accent">
              {becauseWords(next.because)}
            </Words>
          )}
          {next.data.caution && (
            <Words kind="heading" tone="now">
              {next.data.caution}
            </Words>
          )}
        </View>
        <Words tone="quiet">Tap anywhere: done</Words>
      </Pressable>
      <Words level={1} aria-live="polite" style={HIDDEN}>
        {title}
      </Words>
      <View
        style={{
          flexDirection: 'row',
          gap: GAP.small,
          padding: GAP.half,
          borderTopWidth: 1,
          borderTopColor: line,
          justifyContent: 'center',
        }}
      >
        <Button rank="plain" title={undoTitle} onPress={undo} hotkey="u" style={{ flex: 1, maxWidth: 340 }} />
        <Button rank="outline" title="Skip" onPress={skip} hotkey="k" style={{ flex: 1, maxWidth: 340 }} />
      </View>
    </View>
  );
}

/** For screen readers: the tap area says what a tap does, this says which step it is. */
const HIDDEN = { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0 } as const;
