import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Stack } from '@/ui/layout';
import { Text } from '@/ui/Text';

interface FormScreenProps {
  title: string;
  back: Href;
  /** What is to be known before. */
  text?: string;
  problem: string | null;
  busy: boolean;
  /** Null: nothing can be done here. */
  action: string | null;
  send: () => void;
  children: ReactNode;
  /** What else may be done. */
  more?: ReactNode;
}

/** A page with a few lines to fill in and one thing to do. */
export function FormScreen({ title, back, text, problem, busy, action, send, children, more }: FormScreenProps) {
  return (
    <Screen
      title={title}
      back={back}
      foot={
        action !== null || more ? (
          <>
            {action !== null && <Button title={action} busy={busy} onPress={send} />}
            {more}
          </>
        ) : undefined
      }
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      {text !== undefined && <Text>{text}</Text>}
      <Stack gap="more">{children}</Stack>
    </Screen>
  );
}
