import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable } from 'react-native';
import { GAP, TOUCH, usePalette } from './theme';

interface LinkRowProps {
  href: Href;
  label: string;
  children: ReactNode;
  chosen?: boolean;
}

/** A row that leads somewhere, with a hairline under it. */
export function LinkRow({ href, label, children, chosen }: LinkRowProps) {
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
