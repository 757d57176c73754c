import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable } from 'react-native';
import { madeOnce } from './layout';
import { Text } from './Text';
import { GAP, TOUCH, usePalette } from './theme';

interface LinkRowProps {
  href: Href;
  /** What it is called where it holds more than a title and a text; then all that is read in it, in its order. */
  label?: string;
  chosen?: boolean;
  /** Where it leads, and what is there. */
  title?: string;
  text?: string;
  /** The title stands out as one of a few. */
  large?: boolean;
  /** What stands in it besides. */
  children?: ReactNode;
}

/** A row that leads somewhere, with a hairline under it. */
export function LinkRow({ href, label, chosen, title, text, large, children }: LinkRowProps) {
  const { line, surface } = usePalette();
  return (
    <Link href={href} asChild>
      <Pressable
        aria-label={label ?? [title, text].filter(Boolean).join('. ')}
        aria-current={chosen ? 'page' : undefined}
        style={madeOnce({
          minHeight: TOUCH,
          paddingVertical: GAP.half,
          paddingHorizontal: GAP.half,
          marginHorizontal: -GAP.half,
          borderBottomWidth: 1,
          borderBottomColor: line,
          backgroundColor: chosen ? surface : 'transparent',
          gap: GAP.hair,
        })}
      >
        {title !== undefined && <Text kind={large ? 'heading' : 'strong'}>{title}</Text>}
        {text !== undefined && (
          <Text kind="small" tone="quiet">
            {text}
          </Text>
        )}
        {children}
      </Pressable>
    </Link>
  );
}
