import { View } from 'react-native';
import { LookPicture } from '@/ui/looks/LookPicture';
import { StateMark } from '@/ui/StateMark';
import { Text } from '@/ui/Text';
import { Press, Row, Stack } from '@/ui/layout';
import { inUnits } from '@/copy/measures';
import { signWords } from '@/copy/looks';
import { VERDICTS, type Verdict } from '@tembrin/core/instruments';
import type { LookGuide } from '@tembrin/core/looks';
import { copy } from '@/copy/screens/look/round';

const STATES = { good: 'well', watch: 'soon', act: 'now' } as const;
const NAMES = { good: copy.good, watch: copy.watch, act: copy.act } as const;

/** A verdict as its shape and word. */
export const VerdictMark = ({ verdict }: { verdict: Verdict }) => (
  <StateMark state={STATES[verdict]} name={NAMES[verdict]} />
);

interface AnswersProps {
  guide: LookGuide;
  /** What the figures say. */
  told?: Verdict | null;
  /** A tap answers; without it they are shown to be read. */
  onAnswer?: (verdict: Verdict) => void;
}

/** What a look can find, drawn and said: three to tell apart. */
export function Answers({ guide, told = null, onAnswer }: AnswersProps) {
  return (
    <View role={onAnswer ? 'group' : 'list'} aria-label={copy.answers}>
      {VERDICTS.map((verdict) => {
        const sign = inUnits(signWords(guide, verdict));
        const face = (
          <Row
            gap="one"
            align="center"
            padY="small"
            rule="bottom"
            mark={told === verdict ? true : 'room'}
            padLeft="small"
          >
            <LookPicture look={guide.look} verdict={verdict} width={92} />
            <Stack grow shrink>
              <VerdictMark verdict={verdict} />
              <Text kind="small">{sign}</Text>
            </Stack>
          </Row>
        );
        return onAnswer ? (
          <Press key={verdict} role="button" aria-label={`${NAMES[verdict]} ${sign}`} onPress={() => onAnswer(verdict)}>
            {face}
          </Press>
        ) : (
          <View key={verdict} role="listitem">
            {face}
          </View>
        );
      })}
    </View>
  );
}
