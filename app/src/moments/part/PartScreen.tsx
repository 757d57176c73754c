import type { PartId } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useJudged } from '@/state/condition';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Row } from '@/ui/Row';
import { StateMark } from '@/ui/StateMark';
import { GAP } from '@/ui/theme';
import { Thread } from '@/ui/Thread';
import { Words } from '@/ui/Words';
import { dateWords } from '@/words/dates';
import { PART_NAMES } from '@/words/names';
import { reasonFor } from '@/words/reasons';
import { sinceNewWords, tradeMarks } from '@/words/strings';
import { workingOf } from '@/words/workings';
import { PartActions } from './PartActions';
import { ResidueOnPlate } from './ResidueOnPlate';

interface PartScreenProps {
  instrument: Instrument;
  part: PartId;
  back?: Href;
  /** Beside the stand on a wide screen. */
  second?: boolean;
}

/** The working of one part's verdict: the thread large, the figures, the rule, the school, what would change it; and doing it. */
export function PartScreen({ instrument, part, back, second }: PartScreenProps) {
  const { log, condition, schools } = useJudged(instrument);
  const thread = condition.threads.find((each) => each.part === part);
  if (!thread) {
    return (
      <Screen title={PART_NAMES[part]} back={back} second={second}>
        <Empty title="Nothing of the kind" text={`${instrument.name} has no ${PART_NAMES[part].toLowerCase()}.`} />
      </Screen>
    );
  }
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const { figures, rule, school, changes } = workingOf(thread, condition.pace, instrument, schools, moment);
  const date = (atMs: number) => dateWords(atMs, moment.nowMs, moment.timeZone);
  return (
    <Screen
      title={PART_NAMES[part]}
      back={back}
      second={second}
      aside={<StateMark state={thread.state} />}
      foot={<PartActions thread={thread} instrument={instrument} nowMs={moment.nowMs} />}
    >
      <View style={{ gap: GAP.small }}>
        <Words kind="small" tone="quiet">
          {instrument.name}
        </Words>
        <Thread
          {...thread}
          {...moment}
          label={PART_NAMES[part]}
          tall
          marks={part === 'strings' && thread.from !== null ? tradeMarks(instrument.family, thread.from) : []}
        />
        <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
          <Words kind="small" tone="quiet">
            {thread.from === null ? 'start not known' : date(thread.from)}
          </Words>
          {thread.window && (
            <Words kind="small" tone="quiet">
              {date(thread.window.late)}
            </Words>
          )}
        </View>
        <Words>{reasonFor(thread, instrument, moment)}</Words>
        {thread.part === 'strings' && thread.from !== null && (
          <Words kind="small" tone="quiet">
            {sinceNewWords(instrument.family, moment.nowMs - thread.from)}
          </Words>
        )}
      </View>
      {thread.part === 'strings' && (
        <Row
          href={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
          label={`What is on ${instrument.name}, and what it pulls`}
        >
          <Words kind="strong">What is on, and what it pulls</Words>
          <Words kind="small" tone="quiet">
            String by string; another set compared; a broken one; tuning.
          </Words>
        </Row>
      )}
      {thread.part === 'residue' && <ResidueOnPlate instrument={instrument} schools={schools} zones={thread.zones} />}
      <Figures rows={figures} />
      <Explained title="Rule" text={rule} />
      <Explained title="School" text={school} />
      <View style={{ gap: GAP.hair }}>
        <Words kind="heading" level={2}>
          What would change it
        </Words>
        {changes.map((change) => (
          <Words key={change}>{change}</Words>
        ))}
      </View>
    </Screen>
  );
}

function Explained({ title, text }: { title: string; text: string }) {
  return (
    <View style={{ gap: GAP.hair }}>
      <Words kind="heading" level={2}>
        {title}
      </Words>
      <Words>{text}</Words>
    </View>
  );
}
