import Svg, { Circle, Path } from 'react-native-svg';
import { STATE_NAMES } from '@/copy/names';
import { usePalette, type Palette } from './theme';
import { Text } from './Text';
import type { ThreadState } from '@tembrin/core/parts';
import { Row } from './layout';

export const STATE_TONES: Readonly<Record<ThreadState, keyof Palette>> = {
  well: 'well',
  soon: 'soon',
  now: 'now',
  unknown: 'quiet',
};

/** A thread's state as shape, word and colour: a ring, a wedge, a lozenge, a broken ring. */
export function StateMark({ state, name = STATE_NAMES[state] }: { state: ThreadState; name?: string }) {
  const palette = usePalette();
  const colour = palette[STATE_TONES[state]];
  return (
    <Row gap={6} align="center">
      <Svg width={14} height={14} viewBox="0 0 14 14" aria-hidden>
        {state === 'well' && <Circle cx={7} cy={7} r={4.8} stroke={colour} strokeWidth={2.2} fill="none" />}
        {state === 'soon' && <Path d="M7 1.5 13 12.5H1Z" fill={colour} />}
        {state === 'now' && <Path d="M7 0 14 7 7 14 0 7Z" fill={colour} />}
        {state === 'unknown' && (
          <Circle cx={7} cy={7} r={4.8} stroke={colour} strokeWidth={2.2} strokeDasharray="4 3.5" fill="none" />
        )}
      </Svg>
      <Text kind="smallStrong" tone={STATE_TONES[state]}>
        {name}
      </Text>
    </Row>
  );
}
