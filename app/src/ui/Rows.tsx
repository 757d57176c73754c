import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { GAP, TOUCH, usePalette } from './theme';
import { Words } from './Words';

/** A table of two columns: what, and how much. */
export function Figures({ rows }: { rows: readonly (readonly [label: string, value: string])[] }) {
  const { line } = usePalette();
  return (
    <View role="table" aria-label="Figures">
      {rows.map(([label, value]) => (
        <View
          key={label}
          role="row"
          style={{
            flexDirection: 'row',
            alignItems: 'baseline',
            gap: GAP.one,
            paddingVertical: GAP.small,
            borderBottomWidth: 1,
            borderBottomColor: line,
          }}
        >
          <Words role="rowheader" kind="small" tone="quiet" style={{ flex: 2 }}>
            {label}
          </Words>
          <Words role="cell" kind="table" style={{ flex: 3 }}>
            {value}
          </Words>
        </View>
      ))}
    </View>
  );
}

interface RowProps {
  href: Href;
  label: string;
  children: ReactNode;
  chosen?: boolean;
}

/** A row that leads somewhere, with a hairline under it. */
export function Row({ href, label, children, chosen }: RowProps) {
  const { line, surface } = usePalette();
  return (
    <Link href={href} asChild>
      <Pressable
        aria-label={label}
        aria-current={chosen ? 'page' : undefined}
        style={{
          minHeight: TOUCH,
          paddingVertical: GAP.half,
          paddingHorizontal: GAP.half,
          marginHorizontal: -GAP.half,
          borderBottomWidth: 1,
          borderBottomColor: line,
          backgroundColor: chosen ? surface : 'transparent',
          gap: GAP.hair,
        }}
      >
        {children}
      </Pressable>
    </Link>
  );
}
