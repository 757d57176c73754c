import { Suspense, type ReactNode } from 'react';
import { Row, Stack } from './layout';
import { Listed, useWide } from './theme';

/**
 * On a wide screen a page stands beside the list it was chosen from; on a phone, and where it is the list, by itself. The page
 * keeps its place whether the list is there or not: what it shows and where one came from stays.
 */
export function Beside({ list, children }: { list: ReactNode | null; children: ReactNode }) {
  const wide = useWide();
  const shown = wide && list !== null;
  return (
    <Row grow>
      {shown && (
        <Stack key="list" grow={4}>
          <Listed.Provider value>
            <Suspense fallback={null}>{list}</Suspense>
          </Listed.Provider>
        </Stack>
      )}
      <Stack key="page" grow={5} rule={shown && 'left'}>
        {children}
      </Stack>
    </Row>
  );
}
