import type { Pace, Thread as ThreadData } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { Row } from '@/ui/Row';
import { GAP } from '@/ui/theme';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { Words } from '@/ui/Words';
import { PART_NAMES, STATE_NAMES } from '@/words/names';
import { paceReason, reasonFor, type Moment } from '@/words/reasons';

interface DueListProps {
  pace: Pace;
  threads: readonly ThreadData[];
  instrument: Instrument;
  moment: Moment;
  hrefOf: (part: ThreadData['part']) => Href;
  /** Part whose working is open beside the list. */
  chosen?: ThreadData['part'] | null;
}

/** What is due, each part as a row: its name, its state, its thread, and why. */
export function DueList({ pace, threads, instrument, moment, hrefOf, chosen }: DueListProps) {
  return (
    <View style={{ gap: GAP.half }}>
      <View role="list" aria-label={`Threads of ${instrument.name}`}>
        {threads.map((thread) => (
          <View role="listitem" key={thread.part}>
            <Row
              href={hrefOf(thread.part)}
              chosen={chosen === thread.part}
              label={`${PART_NAMES[thread.part]}: ${STATE_NAMES[thread.state]}. ${reasonFor(thread, instrument, moment)}`}
            >
              <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'center' }}>
                <Words kind="heading">{PART_NAMES[thread.part]}</Words>
                <StateMark state={thread.state} />
              </View>
              <Thread {...thread} {...moment} label={PART_NAMES[thread.part]} />
              <Words kind="small" tone="quiet">
                {reasonFor(thread, instrument, moment)}
              </Words>
            </Row>
          </View>
        ))}
      </View>
      <Words kind="small" tone="quiet">
        {paceReason(pace)}
      </Words>
    </View>
  );
}
