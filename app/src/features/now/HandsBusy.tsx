import { inUnits } from '@/copy/measures';
import Head from 'expo-router/head';
import { useEffect } from 'react';
import { usePreferences } from '@/state/preferences';
import { canSpeak, hush, speak } from '@/state/speech';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
import { becauseWords } from '@/copy/because';
import type { StepActions } from './step-actions';
import { Progress } from './StepView';
import { Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/hands-busy';

/** The closing round for full hands: large type, a tap anywhere goes on, and the step is read aloud if wished. */
export function HandsBusy({ round, done, skip, undo, undoTitle, later }: StepActions) {
  const { steps, records, next, behind } = round;
  const { setHandsBusy, speaking, setSpeaking } = usePreferences();

  const title = inUnits(next.data.title);
  const how = next.data.how.map(inUnits);
  const text = `${title}. ${how.join(' ')}`;
  useEffect(() => {
    if (speaking) speak(text);
    return hush;
  }, [speaking, text]);
  return (
    <Stack role="main" grow>
      <Head>
        <title>{copy.closingRoundTembrin}</title>
      </Head>
      <Row padX="half" justify="between" rule="bottom">
        <Button rank="plain" title="Usual view" onPress={() => setHandsBusy(false)} hotkey="b" />
        {canSpeak() && (
          <Button
            rank="plain"
            title={speaking ? 'Stop reading' : 'Read aloud'}
            onPress={() => setSpeaking(!speaking)}
          />
        )}
        <Button rank="plain" title="Later" onPress={later} hotkey="Escape" />
      </Row>
      <Press role="button" onPress={done} padX="two" padY="more" gap="more" align="center" grow>
        <Row maxWidth={720} full>
          <Progress steps={steps} records={records} at={behind} />
        </Row>
        <Stack gap="more" justify="center" grow maxWidth={720} full>
          <Text kind="huge">{title}</Text>
          {how.map((sentence) => (
            <Text key={sentence} kind="large">
              {sentence}
            </Text>
          ))}
          {next.because && (
            <Text kind="large" tone="accent">
              {becauseWords(next.because)}
            </Text>
          )}
          {next.data.caution && (
            <Text kind="heading" tone="now">
              {next.data.caution}
            </Text>
          )}
        </Stack>
        <Text tone="quiet">{copy.tapAnywhereDone}</Text>
      </Press>
      <Text level={1} unseen>
        {title}
      </Text>
      <Row pad="half" gap="small" justify="center" rule="top">
        <Button rank="plain" title={undoTitle} onPress={undo} hotkey="u" maxWidth={340} grow />
        <Button rank="outline" title="Skip" onPress={skip} hotkey="k" maxWidth={340} grow />
      </Row>
    </Stack>
  );
}
