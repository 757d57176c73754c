import { useEffect, useState, type ReactNode } from 'react';
import { Stack } from './layout';

let opened = false;

interface AfterProps {
  children: ReactNode;
  /** Only as the app opens. */
  opening?: boolean;
}

/**
 * What may be drawn after the rest of its page, in a task of its own: all in one would keep a slow phone from answering for long. Until
 * then the page is told to be busy.
 */
export function After({ children, opening }: AfterProps) {
  const [begun, setBegun] = useState(opening && opened);
  // Not by itself: with what else an effect changes it would be drawn in the same task.
  useEffect(() => void setTimeout(() => setBegun((opened = true))), []);
  return begun ? children : <Stack aria-busy />;
}
