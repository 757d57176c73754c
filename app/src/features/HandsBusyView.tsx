import { useEffect, type ReactNode } from 'react';
import { usePreferences } from '@/state/preferences';
import { canSpeak, hush, speak } from '@/state/speech';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
import { Press, Row, Stack } from '@/ui/layout';
import { PageTitle } from '@/ui/PageTitle';

export interface HandsBusyProps {
  /** Title of the page. */
  documentTitle: string;
  title: string;
  /** One sentence after another; read aloud too. */
  how: readonly string[];
  because?: string | null;
  caution?: string;
  progress: ReactNode;
  /** What a tap anywhere does, in words. */
  tap: string;
  onTap: () => void;
  later: () => void;
  /** What else can be done, at the foot. */
  children: ReactNode;
}

/** One step for full hands: large type, a tap anywhere goes on, and the step is read aloud if wished. */
export function HandsBusyView({
  documentTitle,
  title,
  how,
  because,
  caution,
  progress,
  tap,
  onTap,
  later,
  children,
}: HandsBusyProps) {
  const { setHandsBusy, speaking, setSpeaking } = usePreferences();
  const text = `${title.replace(/[.?]$/, '')}. ${how.join(' ')}`;
  useEffect(() => {
    if (speaking) speak(text);
    return hush;
  }, [speaking, text]);
  return (
    <Stack role="main" grow>
      <PageTitle title={documentTitle} />
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
      <Press role="button" onPress={onTap} padX="two" padY="more" gap="more" align="center" grow>
        <Row maxWidth={720} full>
          {progress}
        </Row>
        <Stack gap="more" justify="center" grow maxWidth={720} full>
          <Text kind="huge">{title}</Text>
          {how.map((sentence) => (
            <Text key={sentence} kind="large">
              {sentence}
            </Text>
          ))}
          {because && (
            <Text kind="large" tone="accent">
              {because}
            </Text>
          )}
          {caution && (
            <Text kind="heading" tone="now">
              {caution}
            </Text>
          )}
        </Stack>
        <Text tone="quiet">{tap}</Text>
      </Press>
      <Text level={1} unseen>
        {title}
      </Text>
      <Row pad="half" gap="small" justify="center" rule="top">
        {children}
      </Row>
    </Stack>
  );
}
