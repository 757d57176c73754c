import { useEffect, useState, type ReactNode } from 'react';
import { Stack } from './layout';
import { drawNext } from './turn';

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
  useEffect(() => drawNext(() => setBegun((opened = true))), []);
  return begun ? children : <Stack aria-busy />;
}
