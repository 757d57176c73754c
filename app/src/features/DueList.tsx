import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { LinkRow } from '@/ui/LinkRow';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { Text } from '@/ui/Text';
import { PART_NAMES, STATE_NAMES } from '@/copy/names';
import type { Moment } from '@/copy/lists';
import { paceReason, reasonFor } from '@/copy/parts';
import type { Pace } from '@tembrin/core/wear';
import { isOnBow, type PartId, type Thread as ThreadData } from '@tembrin/core/parts';
import { Row, Stack } from '@/ui/layout';

interface DueListProps {
  pace: Pace;
  threads: readonly ThreadData[];
  instrument: Instrument;
  moment: Moment;
  hrefOf: (part: ThreadData['part']) => Href;
  /** The bow in hand, where it has to be told from others. */
  bow?: string | null;
  /** Part whose working is open beside the list. */
  chosen?: ThreadData['part'] | null;
}

/** What is due, each part as a row: its name, its state, its thread, and why. */
export function DueList({ pace, threads, instrument, moment, hrefOf, bow = null, chosen }: DueListProps) {
  const nameOf = (part: PartId) => (bow !== null && isOnBow(part) ? `${PART_NAMES[part]}, ${bow}` : PART_NAMES[part]);
  return (
    <Stack gap="half">
      <View role="list" aria-label={`Threads of ${instrument.name}`}>
        {threads.map((thread) => (
          <View role="listitem" key={thread.part}>
            <LinkRow
              href={hrefOf(thread.part)}
              chosen={chosen === thread.part}
              label={`${nameOf(thread.part)}: ${STATE_NAMES[thread.state]}. ${reasonFor(thread, instrument, moment)}`}
            >
              <Row align="center" justify="between">
                <Text kind="heading">{nameOf(thread.part)}</Text>
                <StateMark state={thread.state} />
              </Row>
              <Stack aria-hidden>
                <Thread {...thread} {...moment} label={PART_NAMES[thread.part]} />
              </Stack>
              <Text kind="small" tone="quiet">
                {reasonFor(thread, instrument, moment)}
              </Text>
            </LinkRow>
          </View>
        ))}
      </View>
      <Text kind="small" tone="quiet">
        {paceReason(pace)}
      </Text>
    </Stack>
  );
}
