import type { ReactNode } from 'react';
import { Row, Stack } from './layout';
import { Listed, useWide } from './theme';

/** On a wide screen a page stands beside the list it was chosen from; on a phone, and where it is the list, by itself. */
export function Beside({ list, children }: { list: ReactNode | null; children: ReactNode }) {
  const wide = useWide();
  if (!wide || list === null) return children;
  return (
    <Row grow>
      <Stack grow={4}>
        <Listed.Provider value>{list}</Listed.Provider>
      </Stack>
      <Stack grow={5} rule="left">
        {children}
      </Stack>
    </Row>
  );
}
