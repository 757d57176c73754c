import type { ReactNode } from 'react';
import { Text } from './Text';
import { Stack } from './layout';

/** Where there is nothing yet: what would stand here, and how to begin. */
export function Empty({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <Stack padY="two" gap="one">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      <Text tone="quiet">{text}</Text>
      {children}
    </Stack>
  );
}
