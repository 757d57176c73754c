import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { useAssessment, useComplete } from '@/state/assessments';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { LinkRow } from '@/ui/LinkRow';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { PART_NAMES } from '@/copy/names';
import { reasonFor } from '@/copy/parts';
import { workingOf } from '@/copy/parts/working';
import { sinceNewWords, tradeMarks } from '@/copy/strings';
import { PartActions } from './PartActions';
import { ResidueOnPlate } from './ResidueOnPlate';
import type { PartId } from '@tembrin/core/parts';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/part/part';

export interface PartScreenProps {
  instrument: Instrument;
  part: PartId;
  back?: Href;
  /** Beside the stand on a wide screen. */
  second?: boolean;
}

/** The working of one part's verdict: the thread large, the figures, the rule, the school, what would change it; and doing it. */
export function PartScreen({ instrument, part, back, second }: PartScreenProps) {
  const { log, threads, pace, schools } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const thread = threads.find((each) => each.part === part);
  if (!complete || !thread) {
    return (
      <Screen title={PART_NAMES[part]} back={back} second={second}>
        {complete ? (
          <Empty title={copy.nothingOfTheKind} text={`${instrument.name} has no ${PART_NAMES[part].toLowerCase()}.`} />
        ) : (
          // A verdict from half a log is a wrong one.
          <Text tone="quiet">{FETCHING_LOG}</Text>
        )}
      </Screen>
    );
  }
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const { figures, rule, school, changes } = workingOf(thread, { pace, instrument, schools, moment });
  const date = (atMs: number) => dateWords(atMs, moment.nowMs, moment.timeZone);
  return (
    <Screen
      title={PART_NAMES[part]}
      back={back}
      second={second}
      aside={<StateMark state={thread.state} />}
      foot={<PartActions thread={thread} instrument={instrument} nowMs={moment.nowMs} />}
    >
      <Stack gap="small">
        <Text kind="small" tone="quiet">
          {instrument.name}
        </Text>
        <Thread
          {...thread}
          {...moment}
          label={PART_NAMES[part]}
          tall
          marks={part === 'strings' && thread.from !== null ? tradeMarks(instrument.family, thread.from) : []}
        />
        <Row justify="between">
          <Text kind="small" tone="quiet">
            {thread.from === null || thread.dateMissing ? copy.startNotKnown : date(thread.from)}
          </Text>
          {thread.window && (
            <Text kind="small" tone="quiet">
              {date(thread.window.late)}
            </Text>
          )}
        </Row>
        <Text>{reasonFor(thread, instrument, moment)}</Text>
        {thread.part === 'strings' && thread.from !== null && (
          <Text kind="small" tone="quiet">
            {sinceNewWords(instrument.family, moment.nowMs - thread.from)}
          </Text>
        )}
      </Stack>
      {thread.part === 'strings' && (
        <LinkRow
          href={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
          label={copy.whatIsOnAnd(instrument.name)}
          title={copy.whatIsOnAndWhat}
          text={copy.stringByStringAnother}
        />
      )}
      {thread.part === 'residue' && <ResidueOnPlate instrument={instrument} schools={schools} zones={thread.zones} />}
      <Figures rows={figures} />
      <Explained title="Rule" text={rule} />
      <Explained title="School" text={school} />
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {copy.whatWouldChangeIt}
        </Text>
        {changes.map((change) => (
          <Text key={change}>{change}</Text>
        ))}
      </Stack>
    </Screen>
  );
}

function Explained({ title, text }: { title: string; text: string }) {
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      <Text>{text}</Text>
    </Stack>
  );
}
