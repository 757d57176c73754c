import type { ReactNode } from 'react';
import { View } from 'react-native';
import { GAP } from './theme';
import { Words } from './Words';

/** Where there is nothing yet: what would stand here, and how to begin. */
export function Empty({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <View style={{ gap: GAP.one, paddingVertical: GAP.two }}>
      <Words kind="heading" level={2}>
        {title}
      </Words>
      <Words tone="quiet">{text}</Words>
      {children}
    </View>
  );
}
