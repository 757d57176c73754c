import { useEffect, useState } from 'react';
import { WAITING } from '@/copy/common';
import { Stack } from './layout';
import { Text } from './Text';
import { useWide } from './theme';

/** Most pages are there by then: told sooner it would only flash. From memory. */
const TOLD_AFTER_MS = 300;

/** In place of a page that is fetched or worked out. */
export function Waiting() {
  const wide = useWide();
  const [told, setTold] = useState(false);
  useEffect(() => {
    const telling = setTimeout(() => setTold(true), TOLD_AFTER_MS);
    return () => clearTimeout(telling);
  }, []);
  return (
    <Stack role="status" pad={wide ? 'two' : 'more'}>
      {told && <Text tone="quiet">{WAITING}</Text>}
    </Stack>
  );
}
